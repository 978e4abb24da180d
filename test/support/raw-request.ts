/** A request written by hand, byte by byte: no client tidies up its address. */
import { connect } from 'node:net';

export interface RawAnswer {
  readonly status: number;
  readonly head: string;
  readonly body: string;
}

const LONGEST_MS = 10_000;

/** @param lines of the request without the empty line at its end */
export function sendRaw(port: number, lines: readonly string[]): Promise<RawAnswer> {
  return new Promise((resolve, reject) => {
    let text = '';
    const socket = connect(port, '127.0.0.1', () => socket.write(`${lines.join('\r\n')}\r\n\r\n`, 'latin1'));
    socket.setEncoding('latin1');
    socket.setTimeout(LONGEST_MS, () => socket.destroy(new Error(`no answer to ${lines[0]}`)));
    socket.on('data', (data: string) => (text += data));
    socket.on('error', reject);
    socket.on('close', () => {
      const end = text.indexOf('\r\n\r\n');
      const head = end < 0 ? text : text.slice(0, end);
      resolve({
        status: Number(/^HTTP\/1\.[01] (\d{3})/.exec(head)?.[1] ?? 0),
        head,
        body: text.slice(end + 4),
      });
    });
  });
}

/** As a visitor's browser would ask, but with the address as it is. */
export const askRaw = (port: number, method: string, target: string, more: readonly string[] = []) =>
  sendRaw(port, [`${method} ${target} HTTP/1.1`, 'Host: 127.0.0.1', 'Connection: close', ...more]);
