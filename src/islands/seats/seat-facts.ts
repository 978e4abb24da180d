/** What a page says of a seat, as text: how far each adjustment goes, how it moves, and how it is worked. */
import {
  ADJUSTMENT_KINDS,
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
import { sayInUnit, sayRange, sayWith, t, word, type Reading } from '../../words';

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

/** What is done for more, and what more is: "Turn, clockwise: further out". */
export function moreOf(seat: SeatModel, { id, kind }: Adjustment): string {
  const found = controlFor(seat.controls, id);
  if (!found) return '';
  const { action, directionForMore } = found.move;
  const more = word(`more.${ADJUSTMENT_KINDS[kind].sign}`);
  return `${word(`action.${action}`)}, ${word(`direction.${directionForMore}`)}: ${more}`;
}
