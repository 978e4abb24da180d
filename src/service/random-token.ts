/** The random part of the address that a label or a private link leads by. */
import { createHash, randomBytes } from 'node:crypto';

const TOKEN_BYTES = 16;
/** Cannot be guessed and tells nothing. */
export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url');
/** What a label or a link leads by, as it stands in an address. */
export const TOKEN = /^[A-Za-z0-9_-]{22}$/;

/** The path that the label of a token leads to. */
export const labelPath = (token: string): string => `/t/${token}`;

/** The path of the page that a private link opens. */
export const cardPath = (token: string): string => `/c/${token}`;

/** What is kept of a token that must not be read back. */
export const digestOf = (token: string): string => createHash('sha256').update(token).digest('base64url');
