/** What a page says of a seat, as text: how far each adjustment goes, how it moves, and how it is worked. */
import { controlWords } from '../../core/card';
import {
  NAMED_KINDS,
  controlFor,
  endsOf,
  isFixed,
  isStepped,
  positionCount,
  valueAt,
  type Adjustment,
  type SeatModel,
} from '../../core/seat';
import { say, sayInUnit, sayRange, sayWith, t, word, type Reading } from '../../words';

const isNamed = ({ kind }: Adjustment): boolean => NAMED_KINDS.includes(kind);

function sayOne(adjustment: Adjustment, value: number, reading: Reading): string {
  if (adjustment.lock) return word(`lock.${adjustment.lock.states[value] ?? 'free'}`);
  if (isNamed(adjustment)) return t(`state.${adjustment.kind}.${value}`);
  const said = sayInUnit(value, adjustment.unit, reading);
  return adjustment.unit === 'pump' ? sayWith('seats.strokes', { n: said }) : said;
}

/** From where to where an adjustment goes; of one whose positions have names, the names. */
export function rangeOf(adjustment: Adjustment, reading: Reading): string {
  const { lowest, highest } = endsOf(adjustment.travel);
  if (isFixed(adjustment)) return sayOne(adjustment, lowest, reading);
  if (isNamed(adjustment))
    return Array.from({ length: positionCount(adjustment) }, (_, i) =>
      sayOne(adjustment, valueAt(adjustment, i), reading),
    ).join(' · ');
  return sayRange(sayOne(adjustment, lowest, reading), sayOne(adjustment, highest, reading));
}

/** How it moves between its ends. */
export function movesOf(adjustment: Adjustment): string {
  if (isFixed(adjustment)) return word('seats.moves.fixed');
  return isStepped(adjustment)
    ? sayWith('seats.moves.clicks', { n: positionCount(adjustment) })
    : word('seats.moves.slides');
}

/** Where its control is; that there is none. */
export function controlOf(seat: SeatModel, { id }: Adjustment): string {
  const found = controlFor(seat.controls, id);
  if (!found) return word('card.noControl');
  const { hand, name, place } = found.control;
  return `${word(`hand.${hand}`)}: ${name}, ${place}`;
}

/** How it is worked, both ways. */
export const workedAs = (seat: SeatModel, adjustment: Adjustment, reading: Reading): string =>
  controlWords(seat, adjustment)
    .movement.map((m) => `${say(m, reading)}.`)
    .join(' ');
