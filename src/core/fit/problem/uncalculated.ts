/** What of a seat the computation leaves alone, in words: it stays at rest and never counts as fitting. */
import { message, type Message } from '../../message';
import { leaderOf, uncalculated, type AdjustmentKind, type SeatModel, type StateKind } from '../../seat';

/** States that are remedies: what they take away is known. */
const CALCULATED: readonly StateKind[] = ['armsFolded', 'armsSwungOut', 'armsOff', 'headrestOff'];

/** What is judged by where the elbow lies over its pad. */
const ON_PAD_WIDTH: readonly AdjustmentKind[] = ['armWidth', 'padSlide', 'armPivot'];

/**
 * Returns a sentence for each adjustment, state and part of a seat that no setting is calculated for.
 * @returns empty where everything is calculated. Definition.
 * @example
 * uncalculatedOf(seat) // => []
 */
export function uncalculatedOf({ adjustments, states, strappedCushions, arms }: SeatModel): Message[] {
  return [
    ...adjustments.flatMap((adjustment) => {
      const isAdrift = adjustment.holds.how === 'follows' && !leaderOf(adjustments, adjustment);
      const why = uncalculated(adjustment) ?? (isAdrift ? 'follows' : null);
      return why ? [message(`uncalculated.${why}`, { kind: { word: `kind.${adjustment.kind}` } })] : [];
    }),
    ...states
      .filter(({ kind }) => !CALCULATED.includes(kind))
      .map(({ kind }) => message('uncalculated.state', { state: { word: `seatState.${kind}` } })),
    ...strappedCushions.map(({ zone }) =>
      message('uncalculated.cushion', { cushion: { word: `cushion.${zone}` } }),
    ),
    ...(arms && arms.widthMm === null && adjustments.some(({ kind }) => ON_PAD_WIDTH.includes(kind))
      ? [message('uncalculated.padWidth', {})]
      : []),
    ...(arms?.support === 'cradle' ? [message('uncalculated.cradle', {})] : []),
  ];
}
