/** The steps of a walk at the seat, in the order in which this method sets it, with what has to be looked at again. */
import { REMEDY_IDS, sizeInUse, type Assessment, type Problem, type RemedyId, type Settings } from '../fit';
import { UNSET } from '../card/unset';
import {
  ADJUSTMENT_KINDS,
  isFixed,
  offers,
  uncalculated,
  type Adjustment,
  type AdjustmentKind,
} from '../seat';
import { HARNESS, causesOf, type Touched } from './couplings';
import { isFelt } from './feel';
import { neutralOf } from './neutral';
import { judged } from './judged';

export type WalkStep =
  /** The seat as it stands before anything is set; where to sit on a pan that stays; sitting right back; the end. */
  | { readonly id: string; readonly what: 'neutral' | 'where' | 'sit' | 'end' }
  | { readonly id: string; readonly what: 'harness' }
  | { readonly id: string; readonly what: 'set'; readonly kind: AdjustmentKind }
  /** Nothing is calculated for it: found by trial alone. */
  | { readonly id: string; readonly what: 'trial'; readonly kind: AdjustmentKind }
  /** Something added, taken off or changed. */
  | { readonly id: string; readonly what: 'remedy'; readonly remedy: RemedyId }
  /** A further posture of the fitting: its place among them, from 0. */
  | { readonly id: string; readonly what: 'posture'; readonly number: number }
  /** Set earlier and spoiled since: by what. */
  | {
      readonly id: string;
      readonly what: 'again';
      readonly touched: Touched;
      readonly because: readonly AdjustmentKind[];
    };

/** What somebody sets: neither fixed, nor carried along, nor moved by the sitter, nor a footrest that is not there. */
const setKinds = ({ outcomes }: Assessment): AdjustmentKind[] =>
  outcomes
    .filter(
      ({ kind, value, variable, words }) =>
        !isFixed(variable.adjustment) && !UNSET.includes(words.key) && !(kind === 'footrest' && value === 0),
    )
    .map(({ kind }) => kind);

/**
 * What nothing is calculated for and the sitter can tell by feel.
 * @returns in the order in which the seat lists them. Definition.
 * @example
 * triedOf(problem) // => []
 */
export const triedOf = ({ inputs: { seat } }: Problem): readonly Adjustment[] =>
  seat.adjustments.filter((a) => uncalculated(a) === 'byTrial' && !isFixed(a) && isFelt(a.kind));

/** What is tried is put where the method has it in its order; what that does not name, last. */
function withTried(p: Problem, kinds: readonly AdjustmentKind[]): readonly AdjustmentKind[] {
  const { order } = p.inputs.method;
  const rank = (kind: AdjustmentKind): number => (order.includes(kind) ? order.indexOf(kind) : order.length);
  return triedOf(p).reduce<readonly AdjustmentKind[]>((all, { kind }) => {
    const at = all.findIndex((other) => rank(other) > rank(kind));
    return at < 0 ? [...all, kind] : [...all.slice(0, at), kind, ...all.slice(at)];
  }, kinds);
}

/** The last of some that comes after a place in a list, with all that do; null where none does. */
function spoiledBy(kinds: readonly AdjustmentKind[], from: number, causes: readonly AdjustmentKind[]) {
  const because = kinds.filter((kind, i) => i > from && causes.includes(kind));
  return because.length > 0 ? { after: because.at(-1)!, because } : null;
}

/** What is put on, taken off or changed before the seat is set: all that it is set with. */
const BEFORE: readonly RemedyId[] = [
  'armsOff',
  'armsFolded',
  'headrestOff',
  'columnMm',
  'seatPadMm',
  'backCushionMm',
  'lumbarRollMm',
];

function remedySteps({ remedies }: Settings): { readonly before: WalkStep[]; readonly after: WalkStep[] } {
  const used = REMEDY_IDS.filter((id) => sizeInUse(remedies, id) !== 0);
  const stepOf = (remedy: RemedyId): WalkStep => ({ id: `remedy:${remedy}`, what: 'remedy', remedy });
  return {
    before: BEFORE.filter((id) => used.includes(id)).map(stepOf),
    after: used.filter((id) => !BEFORE.includes(id)).map(stepOf),
  };
}

/** How one sits before anything is set: right back, or where the gap is, if the back comes in to the sitter. */
const sitting = (kinds: readonly AdjustmentKind[]): WalkStep =>
  kinds.includes('backReach') && !kinds.includes('seatDepth')
    ? { id: 'where', what: 'where' }
    : { id: 'sit', what: 'sit' };

/**
 * The steps by which settings are reached. What a later step spoils comes again once, after the last that spoils it.
 * @param postures how many further postures there are
 * @returns at least that one sits, and the end; ids are unique. Common practice, no source.
 * @example
 * walkSteps(problem, best)[0].what // => 'neutral'
 */
export function walkSteps(p: Problem, target: Settings, postures = 0): readonly WalkStep[] {
  const a = judged(p, target);
  const kinds = setKinds(a);
  const all = withTried(p, kinds);
  const neutral = neutralOf(a.problem, target);
  // What stands where it stood at the start has spoiled nothing.
  const moves = (kind: AdjustmentKind): boolean => neutral.positions[kind] !== target.positions[kind];
  const hasHarness = offers(p.inputs.seat, 'harness');
  const touched: readonly (readonly [Touched, number])[] = [
    ...(hasHarness ? [[HARNESS, -1] as const] : []),
    ...kinds.map((kind, i) => [kind, i] as const),
  ];
  const again = touched.flatMap(([one, at]) => {
    const found = spoiledBy(kinds, at, causesOf(a.problem, one, a.values).filter(moves));
    return found ? [{ touched: one, ...found }] : [];
  });
  const remedies = remedySteps(target);
  const ofSeat = all.some((kind) => ADJUSTMENT_KINDS[kind].belongsTo !== 'place');
  return [
    ...(ofSeat ? [{ id: 'neutral', what: 'neutral' } as const] : []),
    ...remedies.before,
    sitting(kinds),
    ...(hasHarness ? [{ id: HARNESS, what: HARNESS } as const] : []),
    ...all.flatMap((kind): WalkStep[] => [
      kinds.includes(kind)
        ? { id: `set:${kind}`, what: 'set', kind }
        : { id: `trial:${kind}`, what: 'trial', kind },
      ...(kind === 'seatDepth' ? [{ id: 'sit:seatDepth', what: 'sit' } as const] : []),
      ...again
        .filter(({ after }) => after === kind)
        .map(({ touched: one, because }): WalkStep => ({
          id: `again:${one}`,
          what: 'again',
          touched: one,
          because,
        })),
    ]),
    ...remedies.after,
    ...Array.from({ length: postures }, (_, number): WalkStep => ({
      id: `posture:${number}`,
      what: 'posture',
      number,
    })),
    { id: 'end', what: 'end' },
  ];
}

/**
 * The adjustment that a step sets; null of a step that sets none.
 * @returns null of what sets nothing. Definition.
 * @example
 * kindOfStep({ id: 'sit', what: 'sit' }) // => null
 */
export function kindOfStep(step: WalkStep): AdjustmentKind | null {
  if (step.what === 'set' || step.what === 'trial') return step.kind;
  return step.what === 'again' && step.touched !== HARNESS ? step.touched : null;
}
