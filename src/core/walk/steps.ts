/** The steps of a walk at the seat, in the order in which this method sets it, with what has to be looked at again. */
import { assess, type Assessment, type Problem, type Settings } from '../fit';
import { UNSET } from '../scene/checks';
import { isFixed, offers, type AdjustmentKind } from '../seat';
import { HARNESS, causesOf, type Touched } from './couplings';
import { neutralOf } from './neutral';

export type WalkStep =
  /** The seat as it stands before anything is set; where to sit on a pan that stays; sitting right back; the end. */
  | { readonly id: string; readonly what: 'neutral' | 'where' | 'sit' | 'end' }
  | { readonly id: string; readonly what: 'harness' }
  | { readonly id: string; readonly what: 'set'; readonly kind: AdjustmentKind }
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

/** The last of some that comes after a place in a list, with all that do; null where none does. */
function spoiledBy(kinds: readonly AdjustmentKind[], from: number, causes: readonly AdjustmentKind[]) {
  const because = kinds.filter((kind, i) => i > from && causes.includes(kind));
  return because.length > 0 ? { after: because.at(-1)!, because } : null;
}

/**
 * The steps by which settings are reached. What a later step spoils comes again once, after the last that spoils it.
 * @returns at least the start and the end; ids are unique. Common practice, no source.
 * @example
 * walkSteps(problem, best)[0].what // => 'neutral'
 */
export function walkSteps(p: Problem, target: Settings): readonly WalkStep[] {
  const kinds = setKinds(assess(p, target));
  const neutral = neutralOf(p, target);
  // What stands where it stood at the start has spoiled nothing.
  const moves = (kind: AdjustmentKind): boolean => neutral.positions[kind] !== target.positions[kind];
  const hasHarness = offers(p.inputs.seat, 'harness');
  const touched: readonly (readonly [Touched, number])[] = [
    ...(hasHarness ? [[HARNESS, -1] as const] : []),
    ...kinds.map((kind, i) => [kind, i] as const),
  ];
  const again = touched.flatMap(([one, at]) => {
    const found = spoiledBy(kinds, at, causesOf(p, one).filter(moves));
    return found ? [{ touched: one, ...found }] : [];
  });
  const isCloserToSitter = kinds.includes('backReach') && !kinds.includes('seatDepth');
  return [
    { id: 'neutral', what: 'neutral' },
    ...(hasHarness ? [{ id: HARNESS, what: HARNESS } as const] : []),
    isCloserToSitter ? { id: 'where', what: 'where' } : { id: 'sit', what: 'sit' },
    ...kinds.flatMap((kind): WalkStep[] => [
      { id: `set:${kind}`, what: 'set', kind },
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
    { id: 'end', what: 'end' },
  ];
}
