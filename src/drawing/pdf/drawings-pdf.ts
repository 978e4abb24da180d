/** Rule, views and tracks of a fitting on paper. */
import type { Rule, Scene, Track } from '../../core/scene';
import { word, type Reading } from '../../words';
import { BOARD, boardMarks } from '../board-marks';
import type { Mark } from '../marks';
import { viewMarks } from '../scene-marks';
import { TRACK_HEIGHT, trackMarks } from '../track-marks';
import { INK, TYPE } from './ink';
import { MARGIN, PAPERS, documentOf, type Paper } from './paper';
import { trackBoxes } from './track-rows';
import { TypeSetter, type Span } from './type-setter';

export interface Drawings {
  /** Said at the top: who, seat, place, date. */
  readonly headline: string;
  readonly rule: Rule;
  readonly side: Scene;
  readonly front: Scene;
  readonly plan: Scene;
  readonly tracks: readonly { readonly name: string; readonly value: string; readonly track: Track }[];
}

const HEADLINE_PT = 10;
const NAME_PT = 8.5;
/** From the top of a letter's box to its base line, over its size. */
const ASCENT = 0.95;
const VIEW_HEIGHT = 190;
/** Type and lines of the views are smaller than on the screen, as those of the board are. */
const VIEW_SCALE = 0.68;
const TRACKS_ACROSS = 2;
const GAP = 14;
/** Between one row of tracks and the next. */
const ROW_GAP = 3;

/** Paints marks with the origin at a point of the page. */
export function paintMarks(
  setter: TypeSetter,
  marks: readonly Mark[],
  x: number,
  y: number,
  scale: number,
): void {
  const { doc } = setter;
  doc.save().translate(x, y).scale(scale).lineCap('round').lineJoin('round');
  for (const mark of marks) {
    if (mark.type === 'path') {
      const { fill, stroke, width = 1, dash, isUnion } = INK[mark.style];
      doc.save().path(mark.d);
      doc.lineWidth(width);
      if (dash) doc.dash(dash[0], { space: dash[1] });
      if (isUnion && fill && stroke) doc.stroke(stroke).path(mark.d).fill(fill);
      else if (fill && stroke) doc.fillAndStroke(fill, stroke);
      else if (fill) doc.fill(fill);
      else doc.stroke(stroke);
      doc.restore();
      continue;
    }
    const inks = mark.spans.map((span) => ({ text: span.text, ...TYPE[span.style] }));
    const width = inks.reduce((sum, s) => sum + setter.widthOf([s], s.size), 0);
    let at = mark.x - (mark.anchor === 'end' ? width : mark.anchor === 'middle' ? width / 2 : 0);
    for (const ink of inks) {
      doc.fillColor(ink.fill);
      at += setter.line([ink], at, mark.y - ASCENT * ink.size, ink.size);
    }
  }
  doc.restore();
}

export function drawingsPdf(
  drawings: Drawings,
  reading: Reading,
  paper: Paper,
  title: string,
  made: Date,
): Promise<Uint8Array> {
  const inner = PAPERS[paper].width - 2 * MARGIN;
  return documentOf(paper, title, made, (doc) => {
    const setter = new TypeSetter(doc);
    let y = MARGIN;
    y += setter.paragraph([{ text: drawings.headline, weight: 'strong' }], MARGIN, y, inner, HEADLINE_PT) + 6;
    const scale = inner / BOARD.width;
    paintMarks(setter, boardMarks(drawings.rule, drawings.side, reading), MARGIN, y, scale);
    y += BOARD.height * scale + GAP;

    const half = (inner - GAP) / 2;
    [
      { name: word('set.front'), scene: drawings.front },
      { name: word('set.plan'), scene: drawings.plan },
    ].forEach(({ name, scene }, i) => {
      const x = MARGIN + i * (half + GAP);
      doc.fillColor('black');
      setter.line([{ text: name, weight: 'strong' }], x, y, NAME_PT);
      const [across, up] = [half / VIEW_SCALE, VIEW_HEIGHT / VIEW_SCALE];
      paintMarks(setter, viewMarks(scene, across, up, reading), x, y + GAP, VIEW_SCALE);
    });
    y += VIEW_HEIGHT + 2 * GAP + 4;

    const labels = drawings.tracks.map(({ name, value }): Span[] => [
      { text: name, weight: 'strong' },
      { text: value, weight: 'regular' },
    ]);
    const boxes = trackBoxes(
      labels.map((label) => setter.paragraph(label, 0, 0, half, NAME_PT, false)),
      {
        columns: TRACKS_ACROSS,
        firstTop: y,
        nextTop: MARGIN + 2 * HEADLINE_PT,
        bottom: PAPERS[paper].height - MARGIN,
        trackHeight: TRACK_HEIGHT,
        gap: ROW_GAP,
      },
    );
    let page = 0;
    boxes.forEach((box, i) => {
      if (box.page > page) {
        page = box.page;
        doc.addPage();
        doc.fillColor('black');
        setter.paragraph([{ text: drawings.headline, weight: 'strong' }], MARGIN, MARGIN, inner, HEADLINE_PT);
      }
      const x = MARGIN + box.column * (half + GAP);
      doc.fillColor('black');
      setter.paragraph(labels[i]!, x, box.top, half, NAME_PT);
      paintMarks(setter, trackMarks(drawings.tracks[i]!.track, half), x, box.trackTop, 1);
    });
  });
}
