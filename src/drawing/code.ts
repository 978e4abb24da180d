/** QR codes as bars of black squares: made on the server, painted on labels and cards. */
import { create } from 'qrcode';

/** Light round a code that readers want, in its own squares. */
const QUIET = 2;

/** A code with its quiet edge. */
export interface Code {
  /** Squares along a side. */
  readonly size: number;
  readonly bars: readonly { readonly x: number; readonly y: number; readonly length: number }[];
}

/** Returns the code of a text, with errors of about a sixth mended. */
export function codeOf(text: string): Code {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const bars: { x: number; y: number; length: number }[] = [];
  for (let y = 0; y < modules.size; y++)
    for (let x = 0; x < modules.size; x++) {
      let length = 0;
      while (x + length < modules.size && modules.get(y, x + length)) length++;
      if (length > 0) bars.push({ x: QUIET + x, y: QUIET + y, length });
      x += length;
    }
  return { size: modules.size + 2 * QUIET, bars };
}

/** Returns its black squares as an SVG path on a field of `size` units. */
export const codePath = ({ bars }: Code): string =>
  bars.map(({ x, y, length }) => `M${x} ${y}h${length}v1h-${length}z`).join('');
