/** A device on a serial port, where the browser has them: its lines, as they come. */
import { Lines } from './message';

/** As much of the browser's interface as is used here. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}

const BAUD = 115_200;

const serialOf = (browser: Navigator): Serial | null =>
  (browser as Navigator & { readonly serial?: Serial }).serial ?? null;

export const hasSerial = (browser: Navigator): boolean => serialOf(browser) !== null;

/**
 * Asks for a port and hears it.
 * @returns what ends it; null where nobody chose a port
 */
export async function openSerial(
  browser: Navigator,
  onLine: (line: string) => void,
): Promise<(() => Promise<void>) | null> {
  let port: SerialPort;
  try {
    port = await serialOf(browser)!.requestPort();
  } catch {
    return null;
  }
  await port.open({ baudRate: BAUD });
  const reader = port.readable!.getReader();
  const decoder = new TextDecoder();
  const lines = new Lines();
  const read = async (): Promise<void> => {
    for (let part = await reader.read(); !part.done; part = await reader.read())
      lines.push(decoder.decode(part.value, { stream: true })).forEach(onLine);
  };
  void read().catch(() => undefined);
  return async () => {
    await reader.cancel();
    await port.close();
  };
}
