/**
 * The record as the server has it now, out of the refusal of a change. It may have been kept on this device by an older
 * version of the program: what does not look like the record is none.
 */
import type {
  FittingDetail,
  MeasuringSession,
  MethodSummary,
  PlaceSummary,
  SeatSummary,
  SitterDetail,
} from '../contract';
import type { PieceDetail } from '../contract/pieces';
import { ClientError } from './client-error';

interface Records {
  readonly fitting: FittingDetail;
  readonly sitter: SitterDetail;
  readonly session: MeasuringSession;
  readonly place: PlaceSummary;
  readonly method: MethodSummary;
  readonly seat: SeatSummary;
  readonly piece: PieceDetail;
}
export type RecordName = keyof Records;

/** What each record has and no other. */
const MARKS: Readonly<Record<RecordName, readonly string[]>> = {
  fitting: ['sitter', 'draftRevision', 'draft', 'inputs'],
  sitter: ['name', 'body', 'version'],
  session: ['taken', 'clothes', 'version'],
  place: ['place', 'version'],
  method: ['method', 'version'],
  seat: ['seat', 'version', 'state'],
  piece: ['tag', 'faultList', 'version'],
};

/** Returns a record where that is what something is; null where it is not. */
export const asRecord = <K extends RecordName>(kind: K, found: unknown): Records[K] | null =>
  typeof found === 'object' && found !== null && MARKS[kind].every((field) => field in found)
    ? (found as Records[K])
    : null;

/** Returns the record that a refused change met; null where it was refused for something else. */
export const recordMet = <K extends RecordName>(kind: K, error: unknown): Records[K] | null =>
  asRecord(kind, error instanceof ClientError ? error.problem?.current : undefined);
