/** Paints marks into an SVG group, and from then on touches only what changed. */
import styles from './drawing.module.css';
import { tenth, type Mark, type PathMark, type TextMark } from './marks';

const SVG = 'http://www.w3.org/2000/svg';

interface Painted {
  readonly mark: Mark;
  readonly element: SVGElement;
  /** Of a text, its spans. */
  readonly spans: readonly { readonly element: SVGElement; readonly text: Text }[];
}

/** Marks of one name are told apart by their order: so each keeps its element though others come and go. */
const nameOf = (mark: Mark): string =>
  mark.type === 'path' ? (mark.part ?? mark.style) : `${mark.spans[0]?.style}${mark.spans.length}`;

function write(element: Element, name: string, value: string, before: string | undefined): void {
  if (value !== before) element.setAttribute(name, value);
}

function paintPath(element: SVGElement, mark: PathMark, before?: PathMark): void {
  write(element, 'd', mark.d, before?.d);
  if (mark.style !== before?.style) element.setAttribute('class', styles[mark.style] ?? '');
  if (mark.part && mark.part !== before?.part) element.dataset.part = mark.part;
}

function paintText({ element, spans }: Omit<Painted, 'mark'>, mark: TextMark, before?: TextMark): void {
  if (mark.x !== before?.x) write(element, 'x', tenth(mark.x), before && tenth(before.x));
  if (mark.y !== before?.y) write(element, 'y', tenth(mark.y), before && tenth(before.y));
  write(element, 'text-anchor', mark.anchor, before?.anchor);
  mark.spans.forEach(({ style, text }, i) => {
    const was = before?.spans[i];
    const span = spans[i]!;
    if (style !== was?.style) span.element.setAttribute('class', styles[style] ?? '');
    if (text !== was?.text) span.text.data = text;
  });
}

function repaint(painted: Painted, mark: Mark): Painted {
  const { mark: before } = painted;
  if (mark.type === 'path') paintPath(painted.element, mark, before as PathMark);
  else paintText(painted, mark, before as TextMark);
  return { ...painted, mark };
}

function make(mark: Mark): Painted {
  const element = document.createElementNS(SVG, mark.type);
  if (mark.type === 'path') {
    paintPath(element, mark);
    return { mark, element, spans: [] };
  }
  const spans = mark.spans.map(() => {
    const span = document.createElementNS(SVG, 'tspan');
    const text = document.createTextNode('');
    span.append(text);
    element.append(span);
    return { element: span, text };
  });
  paintText({ element, spans }, mark);
  return { mark, element, spans };
}

export class Painter {
  private painted = new Map<string, Painted[]>();

  /** @param group emptied: what the server painted there gives way */
  constructor(private readonly group: SVGGElement) {
    group.replaceChildren();
  }

  paint(marks: readonly Mark[]): void {
    const { painted: before } = this;
    this.painted = new Map();
    const list = marks.map((mark): Painted => {
      const name = nameOf(mark);
      const known = before.get(name)?.shift();
      const now = known ? repaint(known, mark) : make(mark);
      const same = this.painted.get(name);
      if (same) same.push(now);
      else this.painted.set(name, [now]);
      return now;
    });
    for (const left of before.values()) for (const { element } of left) element.remove();
    let place = this.group.firstChild;
    for (const { element } of list) {
      if (place === element) place = place.nextSibling;
      else this.group.insertBefore(element, place);
    }
  }
}

const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escape = (text: string): string => text.replace(/[&<>"]/g, (c) => ESCAPES[c] ?? c);

/** The same marks as markup, for the server's first paint. */
export function markupOf(marks: readonly Mark[]): string {
  return marks
    .map((mark) => {
      if (mark.type === 'path') {
        const part = mark.part ? ` data-part="${escape(mark.part)}"` : '';
        return `<path d="${mark.d}" class="${styles[mark.style] ?? ''}"${part}></path>`;
      }
      const spans = mark.spans
        .map((span) => `<tspan class="${styles[span.style] ?? ''}">${escape(span.text)}</tspan>`)
        .join('');
      return `<text x="${tenth(mark.x)}" y="${tenth(mark.y)}" text-anchor="${mark.anchor}">${spans}</text>`;
    })
    .join('');
}
