/** Two descriptions of one seat beside each other, field by field: for a conflict, and for merging them. */
import type { SeatModel } from '../../core/seat';
import type { ConflictRow, Picks } from '../../ui/Conflict';
import { t, word, type Reading } from '../../words';
import { textOfSeat, type AdjustmentText, type SeatText } from './seat-text';

const ADJUSTMENT = 'adjustments/';

const sayAdjustment = (a: AdjustmentText | undefined): string => {
  if (!a) return '–';
  const ends = a.move === 'listed' ? a.values : [a.lowest, a.highest].filter(Boolean).join('–');
  return [ends, a.count && `× ${a.count}`, word(`seatForm.move.${a.move}`)].filter(Boolean).join(', ');
};

const sayPlain = (key: keyof SeatText, value: SeatText[keyof SeatText]): string => {
  if (typeof value === 'boolean') return word(value ? 'seatForm.yes' : 'seatForm.noWord');
  if (typeof value !== 'string') return Array.isArray(value) && value.length > 0 ? String(value.length) : '–';
  if (key === 'seatClass') return t(`class.${value}`);
  if (key === 'heightsAre') return t(`seatForm.heightsAre.${value}`);
  if (key !== 'offers') return value || '–';
  const offers = value.split(' ').filter(Boolean);
  return offers.map((offer) => t(`offer.${offer}`)).join(', ') || '–';
};

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The fields in which two texts of a seat differ: plain ones by name, adjustments by kind. */
export function differingFields(a: SeatText, b: SeatText): string[] {
  const plain = (Object.keys(a) as (keyof SeatText)[])
    // Readings go with the values that they were settled to.
    .filter((key) => key !== 'adjustments' && key !== 'takes' && !isSame(a[key], b[key]))
    .map(String);
  const kinds = [...new Set([...a.adjustments, ...b.adjustments].map((t) => t.kind))];
  const of = (text: SeatText, kind: string) => text.adjustments.find((t) => t.kind === kind);
  return [
    ...plain,
    ...kinds.filter((kind) => !isSame(of(a, kind), of(b, kind))).map((kind) => `${ADJUSTMENT}${kind}`),
  ];
}

/** Rows of a conflict between what is typed here and what somebody else has saved. */
export function conflictRows(
  mine: SeatText,
  initial: SeatText,
  saved: SeatModel,
  reading: Reading,
): ConflictRow[] {
  const theirs = textOfSeat(saved, reading);
  return differingFields(mine, theirs).map((field) => {
    if (field.startsWith(ADJUSTMENT)) {
      const kind = field.slice(ADJUSTMENT.length);
      const of = (text: SeatText) => text.adjustments.find((t) => t.kind === kind);
      return {
        id: field,
        name: t(`kind.${kind}`),
        mine: sayAdjustment(of(mine)),
        theirs: sayAdjustment(of(theirs)),
        first: isSame(of(mine), of(initial)) ? 'theirs' : 'mine',
      };
    }
    const key = field as keyof SeatText;
    return {
      id: field,
      name: t(key === 'seatClass' ? 'seatForm.class' : `seatForm.${field}`),
      mine: sayPlain(key, mine[key]),
      theirs: sayPlain(key, theirs[key]),
      first: isSame(mine[key], initial[key]) ? 'theirs' : 'mine',
    };
  });
}

/** What is typed here with what was picked of somebody else's. */
export function mergedTexts(mine: SeatText, saved: SeatModel, picks: Picks, reading: Reading): SeatText {
  const theirs = textOfSeat(saved, reading);
  const takes = (field: string) => picks[field] === 'theirs';
  const plain = Object.fromEntries(
    (Object.keys(mine) as (keyof SeatText)[]).map((key) => [key, takes(key) ? theirs[key] : mine[key]]),
  ) as unknown as SeatText;
  const kinds = [...new Set([...mine.adjustments, ...theirs.adjustments].map((t) => t.kind))];
  const adjustments = kinds.flatMap(
    (kind) => (takes(`${ADJUSTMENT}${kind}`) ? theirs : mine).adjustments.find((t) => t.kind === kind) ?? [],
  );
  return { ...plain, adjustments };
}
