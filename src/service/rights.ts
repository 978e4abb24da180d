import type { ProblemReason } from '../contract';

/** Who asks. A visitor has not signed in where signing in is asked for; a fitter may have said who he or she is. */
export interface Actor {
  readonly kind: 'visitor' | 'fitter' | 'program';
  readonly fitterId: string | null;
}

export const PROGRAM: Actor = { kind: 'program', fitterId: null };
export const VISITOR: Actor = { kind: 'visitor', fitterId: null };

export type Act = 'read' | 'create' | 'edit' | 'delete' | 'restore';
export interface RecordRef {
  readonly kind:
    | 'sitter'
    | 'fitter'
    | 'fitting'
    | 'seat'
    | 'place'
    | 'method'
    | 'table'
    | 'case'
    | 'session'
    | 'description';
  readonly id: string | null;
}

/** Open to everybody: signing in and out, and what the API looks like. */
const PUBLIC: readonly RecordRef['kind'][] = ['session', 'description'];

/** Why an act is not allowed to somebody; null where it is. The one place where rights are decided. */
export function mayNot(actor: Actor, act: Act, record: RecordRef): ProblemReason | null {
  if (actor.kind === 'program' || PUBLIC.includes(record.kind)) return null;
  if (actor.kind === 'visitor') return 'signInFirst';
  return act === 'delete' && actor.fitterId === null ? 'fitterMissing' : null;
}

/** Whether somebody may do something to a record. */
export const may = (actor: Actor, act: Act, record: RecordRef): boolean =>
  mayNot(actor, act, record) === null;
