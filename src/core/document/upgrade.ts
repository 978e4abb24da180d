/** What a fitting keeps, in the form of an earlier version, brought to the form of now. */
import { upgradeMethod } from '../method';
import { upgradePlace } from '../place';
import { UPPER_SUPPORT, UPPER_SUPPORT_OFF, isLoose, upgradeSeat, without } from '../seat';
import { INPUTS_SCHEMA } from '../fit';

/**
 * Returns settings in the form of now: an upper support that was off is a state in use.
 * @returns what is no document of settings as it is. Definition.
 * @example
 * upgradeSettings(best) // => { positions: { seatHeight: 4, seatDepth: 1, backAngle: 1, armHeight: 3, deskHeight: 0 }, remedies: {} }
 */
export function upgradeSettings(stored: unknown): unknown {
  if (!isLoose(stored) || !isLoose(stored.positions) || !(UPPER_SUPPORT in stored.positions)) return stored;
  const isOff = stored.positions[UPPER_SUPPORT] === 0;
  return {
    ...stored,
    positions: without(stored.positions, UPPER_SUPPORT),
    states: isOff ? [UPPER_SUPPORT_OFF] : [],
  };
}

/**
 * Returns a document of inputs in the form of now, seat, place and method included; one that is none as it is.
 * @returns an unknown version as it is, for the schema to refuse. Definition.
 * @example
 * upgradeInputs('no document') // => 'no document'
 */
export function upgradeInputs(stored: unknown): unknown {
  if (!isLoose(stored)) return stored;
  const { work } = stored;
  return {
    ...stored,
    schema: INPUTS_SCHEMA,
    seat: upgradeSeat(stored.seat),
    place: upgradePlace(stored.place),
    method: upgradeMethod(stored.method),
    work: isLoose(work) ? { helmet: false, glasses: false, risesByArms: false, screen: null, ...work } : work,
  };
}
