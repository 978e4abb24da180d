/** A scene laid out in a place of its drawing. */
import type { Dimension, Primitive, Scene, Tape } from '../core/scene';
import { formatLengthNumber } from '../core/units';
import type { Reading } from '../words';
import { path, tenth, textAt, type Mark, type Style } from './marks';
import { pathOf, type Place2d } from './shapes';

const END = 5;

function dimensionMarks({ of, from, to, mm }: Dimension, place: Place2d, reading: Reading): Mark[] {
  const [x1, x2, y] = [place.x(from.x), place.x(to.x), place.y(from.z)];
  const text = formatLengthNumber(reading.length === 'in' ? mm : Math.round(mm), reading.length);
  const width = text.length * 7.5 + 8;
  const middle = (x1 + x2) / 2;
  const style: Style = of === 'sitter' ? 'measureSitter' : 'measureSeat';
  return [
    path(
      `M${tenth(x1)} ${tenth(y - END)}v${2 * END}M${tenth(x2)} ${tenth(y - END)}v${2 * END}M${tenth(x1)} ${tenth(y)}H${tenth(x2)}`,
      style,
    ),
    path(`M${tenth(middle - width / 2)} ${tenth(y - 9)}h${width}v17h${-width}Z`, 'plate'),
    textAt(middle, y + 4.5, 'middle', {
      text,
      style: of === 'sitter' ? 'numberSitter' : 'numberEquipment',
    }),
  ];
}

const TAPE_END = 9;

/** A line with ends across it. */
function tapeMark({ from, to }: Tape, place: Place2d): Mark {
  const [x1, x2, y1, y2] = [place.x(from.x), place.x(to.x), place.y(from.z), place.y(to.z)];
  const isLevel = Math.abs(x2 - x1) >= Math.abs(y2 - y1);
  const end = (x: number, y: number): string =>
    isLevel
      ? `M${tenth(x)} ${tenth(y - TAPE_END)}v${2 * TAPE_END}`
      : `M${tenth(x - TAPE_END)} ${tenth(y)}h${2 * TAPE_END}`;
  return path(`${end(x1, y1)}${end(x2, y2)}M${tenth(x1)} ${tenth(y1)}L${tenth(x2)} ${tenth(y2)}`, 'tape');
}

/** Neighbours of one role as one path, which shows their common outline: a body, not its limbs one over the other. */
function inRuns(primitives: readonly Primitive[], place: Place2d): Mark[] {
  const runs: { readonly role: Primitive['role']; readonly layer: number; d: string; parts: string }[] = [];
  for (const { id, role, shape, layer } of primitives) {
    const run = runs.at(-1);
    if (run?.role === role && run.layer === layer) {
      run.d += pathOf(shape, place);
      run.parts += ` ${id}`;
    } else runs.push({ role, layer, d: pathOf(shape, place), parts: id });
  }
  return runs.map(({ role, d, parts }) => path(d, role, { part: parts }));
}

export function sceneMarks(scene: Scene, place: Place2d, reading: Reading): Mark[] {
  return [
    ...inRuns(scene.primitives, place),
    ...scene.dimensions.flatMap((d) => dimensionMarks(d, place, reading)),
    ...(scene.tape ? [tapeMark(scene.tape, place)] : []),
  ];
}

/** The surface of one view alone on the screen, px. */
export const VIEW = { width: 380, height: 400 } as const;

/** Half a line of words: free all round, for a dimension may lie along the edge of what is drawn, px. */
const EDGE = 9;

/** Where a scene alone on its paper is laid out, as large as it goes. */
export function viewPlace({ bounds }: Pick<Scene, 'bounds'>, width: number, height: number): Place2d {
  const { lowX, highX, lowZ, highZ } = bounds;
  const scale = Math.min((width - 2 * EDGE) / (highX - lowX), (height - 2 * EDGE) / (highZ - lowZ));
  const left = (width - (highX - lowX) * scale) / 2;
  return { x: (mm) => left + (mm - lowX) * scale, y: (mm) => height - EDGE - (mm - lowZ) * scale, scale };
}

/** A scene alone on its paper. */
export const viewMarks = (scene: Scene, width: number, height: number, reading: Reading): Mark[] =>
  sceneMarks(scene, viewPlace(scene, width, height), reading);
