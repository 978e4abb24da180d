import { UnreadableDocument } from '../data/documents/versioned';
import { refused, type Outcome, type ProblemReason } from '../contract';

/**
 * Who acts. A visitor has not signed in where a passphrase is asked for. A fitter may have said who they are: then
 * `fitter` is a record of this practice, never an id that nobody knows.
 */
export interface Actor {
  readonly kind: 'visitor' | 'fitter' | 'program';
  readonly fitter: { readonly id: string; readonly name: string } | null;
}

export const PROGRAM: Actor = { kind: 'program', fitter: null };
export const VISITOR: Actor = { kind: 'visitor', fitter: null };
/** Somebody who may work here and has not said who they are. */
export const UNNAMED_FITTER: Actor = { kind: 'fitter', fitter: null };

export const ACTS = ['read', 'create', 'edit', 'delete', 'restore'] as const;
export type Act = (typeof ACTS)[number];
export const RECORD_KINDS = [
  'sitter',
  'fitter',
  'fitting',
  'seat',
  'place',
  'method',
  'table',
  'practice',
  'import',
  'case',
  'session',
  'description',
  'piece',
  'label',
  'linkedCard',
] as const;
export interface RecordRef {
  readonly kind: (typeof RECORD_KINDS)[number];
  readonly id: string | null;
}

/** Open to everybody: signing in and out, what the API looks like, what a label or the link to a card leads to. */
export const PUBLIC: readonly RecordRef['kind'][] = ['session', 'description', 'label', 'linkedCard'];

/** Returns why an act is not allowed to somebody; null where it is. The one place where rights are decided. */
export function mayNot(actor: Actor, act: Act, record: RecordRef): ProblemReason | null {
  if (actor.kind === 'program' || PUBLIC.includes(record.kind)) return null;
  if (actor.kind === 'visitor') return 'signInFirst';
  return act === 'delete' && actor.fitter === null ? 'fitterMissing' : null;
}

/** Returns whether somebody may do something to a record. */
export const may = (actor: Actor, act: Act, record: RecordRef): boolean =>
  mayNot(actor, act, record) === null;

/** Returns the refusal of an act that is not allowed; null where it is. */
export function authorize(actor: Actor, act: Act, record: RecordRef): Outcome<never> | null {
  const reason = mayNot(actor, act, record);
  return reason && refused(reason);
}

/** What a use case does, and to what: carried by the function itself, so that a test finds every one that has none. */
export interface Guarded {
  readonly act: Act;
  readonly kind: RecordRef['kind'];
}

/**
 * Returns a use case that asks first whether its actor may do this, and only then works.
 * @param kind of the record; where the first argument is a text, it is the record's id
 */
export function useCase<C extends { readonly actor: Actor }, A extends unknown[], T>(
  act: Act,
  kind: RecordRef['kind'],
  work: (ctx: C, ...args: A) => Promise<Outcome<T>> | Outcome<T>,
): ((ctx: C, ...args: A) => Promise<Outcome<T>>) & Guarded {
  const guarded = async (ctx: C, ...args: A): Promise<Outcome<T>> => {
    const [id] = args;
    const refusal = authorize(ctx.actor, act, { kind, id: typeof id === 'string' ? id : null });
    if (refusal) return refusal;
    try {
      return await work(ctx, ...args);
    } catch (error) {
      // It is there, and this version of the program cannot read it.
      if (error instanceof UnreadableDocument) return refused('unreadable');
      throw error;
    }
  };
  return Object.assign(guarded, { act, kind });
}
