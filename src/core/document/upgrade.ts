/** What a fitting keeps, in the form of an earlier version, brought to the form of now. */
import { upgradeMethod } from '../method';
import { upgradePlace } from '../place';
import { UPPER_SUPPORT, UPPER_SUPPORT_OFF, isLoose, upgradeSeat, without } from '../seat';
import { INPUTS_SCHEMA } from '../fit';

/** Returns settings in the form of now: an upper support that was off is a state in use. */
export function upgradeSettings(document: unknown): unknown {
  if (!isLoose(document) || !isLoose(document.positions) || !(UPPER_SUPPORT in document.positions))
    return document;
  const isOff = document.positions[UPPER_SUPPORT] === 0;
  return {
    ...document,
    positions: without(document.positions, UPPER_SUPPORT),
    states: isOff ? [UPPER_SUPPORT_OFF] : [],
  };
}

/** Returns a document of inputs in the form of now, seat, place and method included; one that is none as it is. */
export function upgradeInputs(document: unknown): unknown {
  if (!isLoose(document)) return document;
  const { work } = document;
  return {
    ...document,
    schema: INPUTS_SCHEMA,
    seat: upgradeSeat(document.seat),
    place: upgradePlace(document.place),
    method: upgradeMethod(document.method),
    work: isLoose(work) ? { helmet: false, glasses: false, risesByArms: false, screen: null, ...work } : work,
  };
}
