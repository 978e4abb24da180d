/** What of a seat's procedures belongs to which step of a walk. */
import type { Message } from '../message';
import { stepsOf, type AdjustmentKind, type ProcedureKind, type SeatModel } from '../seat';

type At = AdjustmentKind | 'neutralStart' | 'sitRightBack' | 'harness';

/** Those that belong to a step whatever control they name. */
const AT: Readonly<Partial<Record<ProcedureKind, At>>> = {
  sitRightBack: 'sitRightBack',
  neutralStart: 'neutralStart',
  harness: 'harness',
  suspension: 'suspensionWeight',
  heightByLift: 'seatHeight',
  gasSpringFront: 'frontSlope',
  tensionByTrial: 'tiltTension',
};

/** What is done so where a seat has it, whether or not somebody described it. */
const USUAL: readonly ProcedureKind[] = ['sitRightBack', 'harness', 'suspension'];

/** Not part of setting a seat, or said at other steps. */
const NEVER: readonly ProcedureKind[] = ['cover', 'heelsThenTilt'];

/**
 * What is done in several steps where something is set, or at the start: as described of this seat, else as usual.
 * @param control that it is set with, by id; null where it has none
 * @returns one sentence each; empty where one move is all. Common practice, no source.
 */
export function proceduresAt(seat: SeatModel, at: At, control: string | null): readonly Message[] {
  const own = seat.procedures.filter(
    ({ kind, controlId }) =>
      !NEVER.includes(kind) && (AT[kind] === at || (control !== null && controlId === control && !AT[kind])),
  );
  if (own.length > 0) return own.flatMap(stepsOf);
  const usual = USUAL.find((kind) => AT[kind] === at);
  return usual ? stepsOf({ id: usual, kind: usual, steps: [] }) : [];
}
