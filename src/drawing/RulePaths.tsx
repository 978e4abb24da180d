import { spreadApart, type Pair, type Rule } from '../core/scene';
import { formatLengthNumber, type LengthUnit } from '../core/units';
import { word, type Reading } from '../words';
import styles from './drawing.module.css';

/** Where the parts of the rule stand across, px. */
export interface RuleColumns {
  readonly sitterEnd: number;
  readonly sitterHalf: number;
  readonly rule: number;
  readonly equipmentHalf: number;
  readonly equipmentStart: number;
}

const LABEL_GAP = 19;
const NUMBER_GAP = 17;
/** A tick goes unlabelled where something else stands this near, px. */
const TICK_CLEAR = 12;
/** The middle of a tick's number above its tick, px. */
const TICK_TEXT_MIDDLE = 7;
/** How far a half of a broken line ends before the rule, px. */
const BREAK = 17;
const TICK_MM: Record<LengthUnit, { readonly minor: number; readonly major: number }> = {
  mm: { minor: 20, major: 100 },
  cm: { minor: 20, major: 100 },
  in: { minor: 25.4, major: 127 },
};

interface Props {
  readonly rule: Rule;
  readonly columns: RuleColumns;
  readonly y: (mm: number) => number;
  readonly topMm: number;
  readonly topPx: number;
  readonly floorPx: number;
  readonly reading: Reading;
}

const number = (mm: number, reading: Reading): string =>
  formatLengthNumber(reading.length === 'in' ? mm : Math.round(mm), reading.length);

function Ticks({
  columns,
  y,
  topMm,
  reading,
  taken,
}: Pick<Props, 'columns' | 'y' | 'topMm' | 'reading'> & { readonly taken: readonly number[] }) {
  const { minor, major } = TICK_MM[reading.length];
  const at = (step: number) => Array.from({ length: Math.floor(topMm / step) + 1 }, (_, i) => i * step);
  const half = (step: number, size: number) =>
    at(step).map((mm) => `M${columns.rule - size} ${y(mm).toFixed(1)}h${2 * size}`);
  return (
    <g>
      <path d={[...half(minor, 2), ...half(major, 6)].join('')} className={styles.tick} />
      {at(major)
        .slice(1)
        .filter((mm) => taken.every((px) => Math.abs(px - (y(mm) - TICK_TEXT_MIDDLE)) > TICK_CLEAR))
        .map((mm) => (
          <text key={mm} x={columns.rule + 9} y={y(mm) - 3} className={styles.tickText}>
            {number(mm, reading)}
          </text>
        ))}
    </g>
  );
}

/** The level line of one pair in the form of its state. */
function Level({ pair, columns, y }: { readonly pair: Pair } & Pick<Props, 'columns' | 'y'>) {
  const [left, right, middle] = [columns.sitterHalf, columns.equipmentHalf, columns.rule];
  const [ys, ye] = [y(pair.sitter.heightMm), y(pair.equipment.heightMm)];
  if (pair.relation === 'clear') {
    const x = middle + 34;
    const tone = pair.verdict === 'fits' ? styles.tick : styles.apart;
    return (
      <path
        d={`M${x - 5} ${ys}h10M${x - 5} ${ye}h10M${x} ${ys}V${ye}`}
        className={tone}
        data-level={pair.verdict}
      />
    );
  }
  if (pair.verdict === 'fits') {
    return (
      <g data-level="fits">
        <path
          d={`M${left} ${ys}L${middle} ${(ys + ye) / 2}`}
          className={`${styles.half} ${styles.bySitter}`}
        />
        <path
          d={`M${middle} ${(ys + ye) / 2}L${right} ${ye}`}
          className={`${styles.half} ${styles.bySeat}`}
        />
      </g>
    );
  }
  const isClose = pair.verdict === 'close';
  const end = isClose ? 0 : BREAK;
  return (
    <g data-level={pair.verdict}>
      <path d={`M${left} ${ys}H${middle - end}`} className={`${styles.half} ${styles.bySitter}`} />
      <path d={`M${middle + end} ${ye}H${right}`} className={`${styles.half} ${styles.bySeat}`} />
      {isClose ? (
        <path d={`M${middle} ${ys}V${ye}`} className={styles.apart} />
      ) : (
        <path d={`M${middle - end} ${ys - 5}v10M${middle + end} ${ye - 5}v10`} className={styles.apart} />
      )}
    </g>
  );
}

interface Tagged {
  readonly id: string;
  readonly mm: number;
}

function Tags({
  tags,
  side,
  columns,
  y,
  topPx,
  floorPx,
  reading,
}: { readonly tags: readonly Tagged[]; readonly side: 'sitter' | 'equipment' } & Omit<
  Props,
  'rule' | 'topMm'
>) {
  const places = spreadApart(
    tags.map((t) => y(t.mm)),
    LABEL_GAP,
    topPx + 22,
    floorPx - 10,
  );
  const isSitter = side === 'sitter';
  const [textX, lineX] = isSitter
    ? [columns.sitterEnd, columns.sitterHalf]
    : [columns.equipmentStart, columns.equipmentHalf];
  const tone = isSitter ? styles.bySitter : styles.bySeat;
  return (
    <g>
      {tags.map((tag, i) => (
        <g key={tag.id}>
          <path
            d={`M${textX + (isSitter ? 4 : -4)} ${places[i]!.toFixed(1)}L${lineX} ${y(tag.mm).toFixed(1)}`}
            className={`${styles.thread} ${tone}`}
          />
          <text
            x={textX}
            y={places[i]! + 4.5}
            textAnchor={isSitter ? 'end' : 'start'}
            className={isSitter ? styles.tagSitter : styles.tagEquipment}
          >
            {isSitter && `${word(`tag.${tag.id}`)} `}
            <tspan className={styles.tagNumber}>{number(tag.mm, reading)}</tspan>
            {!isSitter && ` ${word(`tag.${tag.id}`)}`}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Which pairs have a number, and where it stands. */
function numberPlaces(
  pairs: readonly Pair[],
  y: Props['y'],
  topPx: number,
  floorPx: number,
): { readonly pair: Pair; readonly y: number }[] {
  const said = pairs.filter((p) => p.relation === 'clear' || p.verdict !== 'fits');
  const places = spreadApart(
    said.map((p) => (y(p.sitter.heightMm) + y(p.equipment.heightMm)) / 2),
    NUMBER_GAP,
    topPx + 20,
    floorPx - 10,
  );
  return said.map((pair, i) => ({ pair, y: places[i]! }));
}

/** The numbers standing in the breaks, moved apart where they would cover each other. */
function Numbers({
  pairs,
  columns,
  y,
  reading,
  topPx,
  floorPx,
}: { readonly pairs: readonly Pair[] } & Omit<Props, 'rule' | 'topMm'>) {
  return (
    <g>
      {numberPlaces(pairs, y, topPx, floorPx).map(({ pair, y: middle }) => {
        const text = number(Math.abs(pair.apartMm), reading);
        const width = text.length * 7.5 + 8;
        const x = pair.relation === 'clear' ? columns.rule + 34 : columns.rule;
        const isFine = pair.verdict === 'fits';
        return (
          <g key={pair.id}>
            <rect x={x - width / 2} y={middle - 9} width={width} height={17} className={styles.plate} />
            <text
              x={x}
              y={middle + 4.5}
              textAnchor="middle"
              className={isFine ? styles.closeNumber : styles.apartNumber}
            >
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** The floor-line rule: the sitter's landmarks on the left, the equipment's on the right, pairs joined. */
export function RulePaths({ rule, columns, y, topMm, topPx, floorPx, reading }: Props) {
  const shared = { columns, y, reading, topPx, floorPx };
  const single = (side: 'sitter' | 'equipment') =>
    rule.single.filter((t) => t.side === side).map((t) => ({ id: t.id, mm: t.heightMm }));
  return (
    <g>
      <path d={`M${columns.rule} ${topPx + 8}V${floorPx}`} className={styles.rule} />
      <Ticks
        columns={columns}
        y={y}
        topMm={topMm}
        reading={reading}
        taken={[
          ...numberPlaces(rule.pairs, y, topPx, floorPx).map((n) => n.y),
          ...rule.pairs.map((p) => y(p.equipment.heightMm)),
        ]}
      />
      {rule.pairs.map((pair) => (
        <Level key={pair.id} pair={pair} columns={columns} y={y} />
      ))}
      <Numbers pairs={rule.pairs} {...shared} />
      <text
        x={columns.sitterEnd}
        y={topPx + 10}
        textAnchor="end"
        className={`${styles.side} ${styles.tagSitter}`}
      >
        {word('set.sitterSide')}
      </text>
      <text x={columns.equipmentStart} y={topPx + 10} className={`${styles.side} ${styles.tagEquipment}`}>
        {word('set.equipmentSide')}
      </text>
      <Tags
        side="sitter"
        tags={[...rule.pairs.map((p) => ({ id: p.sitter.id, mm: p.sitter.heightMm })), ...single('sitter')]}
        {...shared}
      />
      <Tags
        side="equipment"
        tags={[
          ...rule.pairs.map((p) => ({ id: p.equipment.id, mm: p.equipment.heightMm })),
          ...single('equipment'),
        ]}
        {...shared}
      />
    </g>
  );
}
