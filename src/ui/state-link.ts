/** Puts a state into the fragment of an address, deflated, and reads it back. The fragment never reaches a server. */
import type { StateLink } from '../contract/state-link';

const NAME = 'state';
/** Longest fragment read: a state is far below. */
const MOST_LETTERS = 20_000;
/** Longest text a fragment may unfold to. */
const MOST_BYTES = 100_000;

async function through(
  bytes: Uint8Array<ArrayBuffer>,
  stream: ReadableWritablePair<Uint8Array, Uint8Array<ArrayBuffer>>,
): Promise<Uint8Array> {
  const reader = new Blob([bytes]).stream().pipeThrough(stream).getReader();
  const parts: Uint8Array[] = [];
  let length = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > MOST_BYTES) throw new Error('too long');
    parts.push(value);
  }
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

const toText = (bytes: Uint8Array): string =>
  btoa(String.fromCharCode(...bytes))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '');
const toBytes = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(text.replace(/-/g, '+').replace(/_/g, '/')), (letter) => letter.charCodeAt(0));

/** The fragment, with its `#`. */
export async function fragmentOf(state: StateLink): Promise<string> {
  const deflated = await through(
    new TextEncoder().encode(JSON.stringify(state)),
    new CompressionStream('deflate-raw'),
  );
  return `#${NAME}=${state.v}.${toText(deflated)}`;
}

/** The state in a fragment; null where there is none, `unreadable` where it is not whole or not of this version. */
export async function stateIn(fragment: string): Promise<StateLink | 'unreadable' | null> {
  const match = new RegExp(`^#${NAME}=(\\d+)\\.([\\w-]*)$`).exec(fragment);
  if (!match) return fragment.startsWith(`#${NAME}=`) ? 'unreadable' : null;
  if (fragment.length > MOST_LETTERS) return 'unreadable';
  try {
    const inflated = await through(toBytes(match[2] ?? ''), new DecompressionStream('deflate-raw'));
    // Few pages are opened by a link: the schema comes when it is needed.
    const { StateLinkSchema } = await import('../contract/state-link');
    return StateLinkSchema.parse(JSON.parse(new TextDecoder().decode(inflated)));
  } catch {
    return 'unreadable';
  }
}
