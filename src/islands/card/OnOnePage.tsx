import { useEffect, useRef, useState, type CSSProperties, type ReactNode } from 'react';
import { flushSync } from 'react-dom';

export const MARGIN_MM = 12;
export const PAPERS = {
  A4: { page: 'A4', widthMm: 210, heightMm: 297 },
  Letter: { page: 'letter', widthMm: 215.9, heightMm: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;

const LARGEST_PT = 9.6;
const SMALLEST_PT = 6;
const STEP_PT = 0.2;
const PX_PER_MM = 96 / 25.4;
/** Room kept free at the foot of the page: print and screen break lines a little differently, mm. */
const FOOT_MM = 4;
const SOON_MS = 200;

/** The largest type in which the sheet stays on one page of this paper, points: halving, for each look lays it out anew. */
function fittingSize(sheet: HTMLElement, paper: Paper): number {
  const { widthMm, heightMm } = PAPERS[paper];
  const room = (heightMm - 2 * MARGIN_MM - FOOT_MM) * PX_PER_MM;
  const kept = sheet.getAttribute('style') ?? '';
  const sizeOf = (step: number) => LARGEST_PT - step * STEP_PT;
  const isOnOne = (step: number): boolean => {
    sheet.setAttribute(
      'style',
      `width:${widthMm - 2 * MARGIN_MM}mm;max-width:none;padding:0;border:0;font-size:${sizeOf(step).toFixed(1)}pt`,
    );
    return sheet.getBoundingClientRect().height <= room;
  };
  let [tooLarge, small] = [0, Math.round((LARGEST_PT - SMALLEST_PT) / STEP_PT)];
  if (isOnOne(0)) small = 0;
  while (small - tooLarge > 1) {
    const middle = (tooLarge + small) >> 1;
    if (isOnOne(middle)) small = middle;
    else tooLarge = middle;
  }
  sheet.setAttribute('style', kept);
  return sizeOf(small);
}

interface Props {
  readonly paper: Paper;
  /** What the sheet shows: measured anew where it is another. */
  readonly on: unknown;
  readonly children: ReactNode;
}

/** A sheet that is printed on one page: its type is set as large as that allows. */
export function OnOnePage({ paper, on, children }: Props) {
  const [size, setSize] = useState(LARGEST_PT);
  const holder = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let isMeasured = false;
    const measure = () => {
      const sheet = holder.current?.querySelector('article');
      if (!sheet || isMeasured) return;
      isMeasured = true;
      // What is printed is laid out before anything else is drawn.
      flushSync(() => setSize(fittingSize(sheet, paper)));
    };
    window.addEventListener('beforeprint', measure);
    let soon: ReturnType<typeof setTimeout>;
    // With the face that it is printed in, and after whatever the reader waits for.
    void document.fonts.ready.then(() => (soon = setTimeout(measure, SOON_MS)));
    return () => {
      isMeasured = true;
      clearTimeout(soon);
      window.removeEventListener('beforeprint', measure);
    };
  }, [paper, on]);
  return (
    <div ref={holder} style={{ '--print-size': `${size.toFixed(1)}pt` } as CSSProperties}>
      {children}
    </div>
  );
}
