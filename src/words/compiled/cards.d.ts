import type { MessageFunction } from '../messages';

/** Compiled from the catalogue by `scripts/words.mjs`. */
declare const messages: Readonly<Record<string, MessageFunction>>;
export default messages;
