/** The floor-line rule laid out: the sitter's landmarks on the left, the equipment's on the right, pairs joined. */
import { spreadApart, type Pair, type Rule, type Tag } from '../core/scene';
import { formatLengthNumber, type LengthUnit } from '../core/units';
import { sayWith, t, word, type Reading } from '../words';
import { oneAStyle, path, tenth, textAt, type Mark, type TextStyle } from './marks';

/** Where the parts of the rule stand across. */
export interface RuleColumns {
  readonly sitterEnd: number;
  readonly sitterHalf: number;
  readonly rule: number;
  readonly equipmentHalf: number;
  readonly equipmentStart: number;
}

const LABEL_GAP = 19;
const NUMBER_GAP = 17;
/** A tick goes unlabelled where something else stands this near. */
const TICK_CLEAR = 12;
/** The middle of a tick's number above its tick. */
const TICK_TEXT_MIDDLE = 7;
/** How far a half of a broken line ends before the rule. */
const BREAK = 17;
/** The number of a clearance stands beside the rule. */
const CLEAR_AT = 34;
const TICK_MM: Record<LengthUnit, { readonly minor: number; readonly major: number }> = {
  mm: { minor: 20, major: 100 },
  cm: { minor: 20, major: 100 },
  in: { minor: 25.4, major: 127 },
};

export interface RulePlace {
  readonly columns: RuleColumns;
  readonly y: (mm: number) => number;
  readonly topMm: number;
  readonly top: number;
  readonly floor: number;
}

const number = (mm: number, reading: Reading): string =>
  formatLengthNumber(reading.length === 'in' ? mm : Math.round(mm), reading.length);

function tickMarks({ columns, y, topMm }: RulePlace, reading: Reading, taken: readonly number[]): Mark[] {
  const { minor, major } = TICK_MM[reading.length];
  const at = (step: number) => Array.from({ length: Math.floor(topMm / step) + 1 }, (_, i) => i * step);
  // All ticks of a kind are one short pattern over and over: written out they would be the longest path of all.
  const half = (step: number, size: number) => {
    const up = Math.round((y(step) - y(0)) * 1000) / 1000;
    return (
      `M${columns.rule - size} ${tenth(y(0))}` + `h${2 * size}m${-2 * size} ${up}`.repeat(at(step).length)
    );
  };
  const numbers = at(major)
    .slice(1)
    .filter((mm) => taken.every((px) => Math.abs(px - (y(mm) - TICK_TEXT_MIDDLE)) > TICK_CLEAR))
    .map((mm) =>
      textAt(columns.rule + 9, y(mm) - 3, 'start', { text: number(mm, reading), style: 'tickText' }),
    );
  return [path(half(minor, 2) + half(major, 6), 'tick'), ...numbers];
}

/** The level line of one pair in the form of its state. */
function levelMarks(pair: Pair, { columns, y }: RulePlace): Mark[] {
  const [left, right, middle] = [columns.sitterHalf, columns.equipmentHalf, columns.rule];
  const [ys, ye] = [y(pair.sitter.heightMm), y(pair.equipment.heightMm)];
  if (pair.relation === 'clear') {
    const x = middle + CLEAR_AT;
    const d = `M${x - 5} ${tenth(ys)}h10M${x - 5} ${tenth(ye)}h10M${x} ${tenth(ys)}V${tenth(ye)}`;
    return [path(d, pair.verdict === 'fits' ? 'tick' : 'apart')];
  }
  if (pair.verdict === 'fits') {
    const between = tenth((ys + ye) / 2);
    return [
      path(`M${left} ${tenth(ys)}L${middle} ${between}`, 'halfSitter'),
      path(`M${middle} ${between}L${right} ${tenth(ye)}`, 'halfSeat'),
    ];
  }
  const end = pair.verdict === 'close' ? 0 : BREAK;
  return [
    path(`M${left} ${tenth(ys)}H${middle - end}`, 'halfSitter'),
    path(`M${middle + end} ${tenth(ye)}H${right}`, 'halfSeat'),
    pair.verdict === 'close'
      ? path(`M${middle} ${tenth(ys)}V${tenth(ye)}`, 'apart')
      : path(`M${middle - end} ${tenth(ys - 5)}v10M${middle + end} ${tenth(ye - 5)}v10`, 'apart'),
  ];
}

interface Tagged {
  readonly id: string;
  readonly mm: number;
  readonly isEstimate?: boolean | undefined;
}

const tagged = ({ id, heightMm, isEstimate }: Tag): Tagged => ({ id, mm: heightMm, isEstimate });

function tagMarks(
  tags: readonly Tagged[],
  side: 'sitter' | 'equipment',
  { columns, y, top, floor }: RulePlace,
  reading: Reading,
): Mark[] {
  const places = spreadApart(
    tags.map((t) => y(t.mm)),
    LABEL_GAP,
    top + 22,
    floor - 10,
  );
  const isSitter = side === 'sitter';
  const [textX, lineX] = isSitter
    ? [columns.sitterEnd, columns.sitterHalf]
    : [columns.equipmentStart, columns.equipmentHalf];
  return tags.flatMap((tag, i): Mark[] => {
    const at = places[i]!;
    const name = t(`tag.${tag.id}`);
    const plain = number(tag.mm, reading);
    const value = tag.isEstimate ? sayWith('set.about', { value: plain }) : plain;
    return [
      path(
        `M${textX + (isSitter ? 4 : -4)} ${tenth(at)}L${lineX} ${tenth(y(tag.mm))}`,
        isSitter ? 'threadSitter' : 'threadSeat',
      ),
      isSitter
        ? textAt(
            textX,
            at + 4.5,
            'end',
            { text: `${name} `, style: 'tagSitter' },
            { text: value, style: 'numberSitter' },
          )
        : textAt(
            textX,
            at + 4.5,
            'start',
            { text: value, style: 'numberEquipment' },
            { text: ` ${name}`, style: 'tagEquipment' },
          ),
    ];
  });
}

/** Which pairs have a number, and where it stands. */
function numberPlaces(
  pairs: readonly Pair[],
  { y, top, floor }: RulePlace,
): { readonly pair: Pair; readonly y: number }[] {
  const said = pairs.filter((p) => p.relation === 'clear' || p.verdict !== 'fits');
  const places = spreadApart(
    said.map((p) => (y(p.sitter.heightMm) + y(p.equipment.heightMm)) / 2),
    NUMBER_GAP,
    top + 20,
    floor - 10,
  );
  return said.map((pair, i) => ({ pair, y: places[i]! }));
}

/** The numbers standing in the breaks, moved apart where they would cover each other. */
function numberMarks(pairs: readonly Pair[], place: RulePlace, reading: Reading): Mark[] {
  return numberPlaces(pairs, place).flatMap(({ pair, y: middle }): Mark[] => {
    const text = number(Math.abs(pair.apartMm), reading);
    const width = text.length * 7.5 + 8;
    const x = place.columns.rule + (pair.relation === 'clear' ? CLEAR_AT : 0);
    const style: TextStyle = pair.verdict === 'fits' ? 'closeNumber' : 'apartNumber';
    return [
      path(`M${tenth(x - width / 2)} ${tenth(middle - 9)}h${width}v17h${-width}Z`, 'plate'),
      textAt(x, middle + 4.5, 'middle', { text, style }),
    ];
  });
}

export function ruleMarks(rule: Rule, place: RulePlace, reading: Reading): Mark[] {
  const { columns, y, top, floor } = place;
  const single = (side: 'sitter' | 'equipment') => rule.single.filter((t) => t.side === side).map(tagged);
  const paired = (side: 'sitter' | 'equipment') => rule.pairs.map((p) => tagged(p[side]));
  const taken = [
    ...numberPlaces(rule.pairs, place).map((n) => n.y),
    ...rule.pairs.map((p) => y(p.equipment.heightMm)),
  ];
  const side = (x: number, anchor: 'start' | 'end', text: string, style: TextStyle) =>
    textAt(x, top + 10, anchor, { text: text.toUpperCase(), style });
  return oneAStyle([
    path(`M${columns.rule} ${top + 8}V${floor}`, 'rule'),
    ...tickMarks(place, reading, taken),
    ...rule.pairs.flatMap((pair) => levelMarks(pair, place)),
    ...numberMarks(rule.pairs, place, reading),
    side(columns.sitterEnd, 'end', word('set.sitterSide'), 'sideSitter'),
    side(columns.equipmentStart, 'start', word('set.equipmentSide'), 'sideEquipment'),
    ...tagMarks([...paired('sitter'), ...single('sitter')], 'sitter', place, reading),
    ...tagMarks([...paired('equipment'), ...single('equipment')], 'equipment', place, reading),
  ]);
}
