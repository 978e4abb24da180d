import { useEffect, useRef, useState, type CSSProperties, type ReactNode } from 'react';

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

/** The largest type in which the sheet stays on one page of this paper, points. */
function fittingSize(sheet: HTMLElement, paper: Paper): number {
  const { widthMm, heightMm } = PAPERS[paper];
  const room = (heightMm - 2 * MARGIN_MM - FOOT_MM) * PX_PER_MM;
  const kept = sheet.getAttribute('style') ?? '';
  let size = LARGEST_PT;
  for (; size > SMALLEST_PT; size -= STEP_PT) {
    sheet.setAttribute(
      'style',
      `width:${widthMm - 2 * MARGIN_MM}mm;max-width:none;padding:0;border:0;font-size:${size.toFixed(1)}pt`,
    );
    if (sheet.getBoundingClientRect().height <= room) break;
  }
  sheet.setAttribute('style', kept);
  return size;
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
    const measure = () => {
      const sheet = holder.current?.querySelector('article');
      if (sheet) setSize(fittingSize(sheet, paper));
    };
    measure();
    // The face may arrive after the first measuring.
    void document.fonts.ready.then(measure);
  }, [paper, on]);
  return (
    <div ref={holder} style={{ '--print-size': `${size.toFixed(1)}pt` } as CSSProperties}>
      {children}
    </div>
  );
}
