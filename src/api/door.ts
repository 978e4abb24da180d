/** What signing in and out needs of the server around the API. */
import type { ProblemReason } from '../contract';

export type SignInResult =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: ProblemReason; readonly retryAfterS?: number };

export interface Door {
  /** Whether a passphrase is asked for. */
  readonly isLocked: boolean;
  readonly signIn: (passphrase: string) => Promise<SignInResult>;
  readonly signOut: () => void;
}
