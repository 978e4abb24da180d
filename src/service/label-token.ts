/** The random part of the address that a label's code leads to. */
import { randomBytes } from 'node:crypto';

const TOKEN_BYTES = 16;
/** Cannot be guessed and tells nothing. */
export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url');
/** What a label leads by, as it stands in an address. */
export const TOKEN = /^[A-Za-z0-9_-]{22}$/;

/** The path that the label of a token leads to. */
export const labelPath = (token: string): string => `/t/${token}`;
