/** One adjustment of a seat as it is typed. */
import { typedIn } from '../../ui/in-unit';
import { Checkbox } from '@mantine/core';
import {
  ADJUSTMENT_KINDS,
  LOCK_STATES,
  MOVED_BY,
  type AdjustmentKind,
  type AdjustmentKindRow,
  type AdjustmentUnit,
} from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayWith, word, type Reading } from '../../words';
import { Chips, ChoiceField, Fault, RemoveButton, TextField, type FormState } from './fields';
import { EFFORTS, HOLDINGS, MOVES, isCount, type AdjustmentText, type MoveText } from './seat-text';
import styles from './seat-form.module.css';

interface Props {
  readonly text: AdjustmentText;
  readonly others: readonly AdjustmentKind[];
  readonly form: FormState;
  /** Whether somebody has just asked for it: the first number is typed next. */
  readonly isNew: boolean;
  readonly onChange: (change: Partial<AdjustmentText>, field: string) => void;
  readonly onRemove: (() => void) | null;
}

const unitWord = (unit: AdjustmentUnit, reading: Reading): string =>
  unit === 'mm'
    ? reading.length
    : unit === 'deg'
      ? '°'
      : unit === 'kg'
        ? reading.mass
        : word(`seatForm.unit.${unit}`);

/** Typical ends of a range, as placeholders: never as values. */
function usual(kind: AdjustmentKind, unit: AdjustmentUnit, end: 0 | 1, reading: Reading): string | undefined {
  const { typical, units }: AdjustmentKindRow = ADJUSTMENT_KINDS[kind];
  return typical && unit === units[0] ? typedIn(typical[end], unit, reading) : undefined;
}

/** How it can move; a lock has states, and a length is never on or off. */
const movesOf = (kind: AdjustmentKind): readonly MoveText[] =>
  kind === 'tiltLock' ? ['clicks'] : kind === 'forwardTilt' ? MOVES : MOVES.filter((m) => m !== 'onOff');

function Ends({ text, form, isNew, onChange }: Omit<Props, 'others' | 'onRemove'>) {
  const reading = useReading();
  const { kind, unit, move } = text;
  const path = `adjustments/${kind}`;
  const name = word(`kind.${kind}`);
  const field = (key: 'lowest' | 'highest', label: string, end: 0 | 1) => (
    <TextField
      path={`${path}/${key}`}
      label={sayWith('seatForm.field', { name, field: label.toLowerCase() })}
      isLabelHidden
      value={text[key]}
      form={form}
      unit={unitWord(unit, reading)}
      placeholder={usual(kind, unit, end, reading) ?? label.toLowerCase()}
      isFirst={isNew && key === 'lowest'}
      onChange={(value) => onChange({ [key]: value }, `${path}/${key}`)}
    />
  );
  if (kind === 'tiltLock')
    return (
      <div className={styles.wide}>
        <Chips
          label={word('seatForm.lock')}
          options={LOCK_STATES.map((s) => [s, word(`lock.${s}`)])}
          chosen={text.lock}
          onToggle={(state) =>
            onChange(
              {
                lock: text.lock.includes(state)
                  ? text.lock.filter((s) => s !== state)
                  : [...text.lock, state],
              },
              `${path}/lock`,
            )
          }
        />
        <p className={styles.fault}>
          <Fault fault={form.faults[`${path}/lock`]} />
        </p>
      </div>
    );
  if (move === 'onOff') return null;
  if (move === 'fixed') return field('lowest', word('seatForm.value'), 0);
  if (move === 'listed')
    return (
      <div className={styles.wide}>
        <TextField
          path={`${path}/values`}
          label={sayWith('seatForm.field', { name, field: word('seatForm.values').toLowerCase() })}
          isLabelHidden
          placeholder={word('seatForm.values').toLowerCase()}
          value={text.values}
          form={form}
          isText
          isFirst={isNew}
          unit={unitWord(unit, reading)}
          onChange={(values) => onChange({ values }, `${path}/values`)}
        />
      </div>
    );
  return (
    <>
      {field('lowest', word('seatForm.lowest'), 0)}
      {field('highest', word('seatForm.highest'), 1)}
      {move === 'clicks' && (
        <TextField
          path={`${path}/count`}
          label={sayWith('seatForm.field', { name, field: word('seatForm.count').toLowerCase() })}
          isLabelHidden
          placeholder={word('seatForm.count').toLowerCase()}
          value={text.count}
          form={form}
          onChange={(count) => onChange({ count }, `${path}/count`)}
        />
      )}
    </>
  );
}

/** What a count comes to, and what a tension takes. */
function Meaning({ text, form, onChange }: Pick<Props, 'text' | 'form' | 'onChange'>) {
  const reading = useReading();
  const { kind, unit, effort } = text;
  const row: AdjustmentKindRow = ADJUSTMENT_KINDS[kind];
  const path = `adjustments/${kind}`;
  const field = (
    key: 'meansLowest' | 'meansHighest' | 'effortLowest' | 'effortHighest' | 'effortAtDeg',
    fieldUnit: string,
  ) => (
    <TextField
      path={`${path}/${key}`}
      label={word(`seatForm.${key}`)}
      value={text[key]}
      form={form}
      unit={fieldUnit}
      onChange={(value) => onChange({ [key]: value }, `${path}/${key}`)}
    />
  );
  return (
    <>
      {row.means && isCount(unit) && (
        <>
          <p className={`${styles.wide} ${parts.soft}`}>{word('seatForm.means')}</p>
          {field('meansLowest', unitWord(row.means, reading))}
          {field('meansHighest', unitWord(row.means, reading))}
        </>
      )}
      {kind === 'tiltTension' && (
        <>
          <ChoiceField
            label={word('seatForm.effort')}
            value={effort}
            options={EFFORTS.map((e) => [e, word(`seatForm.effort.${e}`)])}
            onChange={(value) => onChange({ effort: value }, `${path}/effort`)}
          />
          {effort !== 'trial' && field('effortLowest', effort === 'moment' ? 'N·m' : reading.mass)}
          {effort !== 'trial' && field('effortHighest', effort === 'moment' ? 'N·m' : reading.mass)}
          {effort === 'moment' && field('effortAtDeg', '°')}
          {effort === 'weighing' && (
            <Checkbox
              label={word('seatForm.hasScale')}
              checked={text.hasScale}
              onChange={(e) => onChange({ hasScale: e.currentTarget.checked }, `${path}/hasScale`)}
            />
          )}
        </>
      )}
    </>
  );
}

const PLACES = ['', 'lowest', 'middle', 'highest'] as const;

function Details({ text, others, form, onChange }: Pick<Props, 'text' | 'others' | 'form' | 'onChange'>) {
  const reading = useReading();
  const { kind, unit } = text;
  const path = `adjustments/${kind}`;
  const unknown = word('seatForm.unknown');
  const place = (key: 'neutral' | 'rest') => (
    <ChoiceField
      label={word(`seatForm.${key}`)}
      value={text[key]}
      options={[
        ...PLACES.map((p) => [p, p === '' ? unknown : word(`seatForm.at.${p}`)] as const),
        ...((PLACES as readonly string[]).includes(text[key])
          ? []
          : [[text[key], sayWith('seatForm.positionNumber', { n: text[key] })] as const]),
      ]}
      onChange={(value) => onChange({ [key]: value }, `${path}/${key}`)}
    />
  );
  return (
    <details className={styles.details}>
      <summary>
        {word('seatForm.details')}
        <span className="visually-hidden">: {word(`kind.${kind}`)}</span>
      </summary>
      <div className={styles.fields}>
        <ChoiceField
          label={word('seatForm.holding')}
          value={text.holding}
          options={HOLDINGS.map((h) => [h, word(`seatForm.holding.${h}`)])}
          onChange={(holding) => onChange({ holding }, `${path}/holding`)}
        />
        {text.holding === 'follows' && (
          <>
            <ChoiceField
              label={word('seatForm.leader')}
              value={text.leader}
              options={[['', unknown], ...others.map((k) => [k, word(`kind.${k}`)] as const)]}
              onChange={(leader) => onChange({ leader }, `${path}/leader`)}
            />
            <p className={styles.fault}>
              <Fault fault={form.faults[`${path}/leader`]} />
            </p>
            <TextField
              path={`${path}/ratio`}
              label={word('seatForm.ratio')}
              value={text.ratio}
              form={form}
              onChange={(ratio) => onChange({ ratio }, `${path}/ratio`)}
            />
          </>
        )}
        <ChoiceField
          label={word('seatForm.movedBy')}
          value={text.movedBy}
          options={[['', unknown], ...MOVED_BY.map((m) => [m, word(`seatForm.movedBy.${m}`)] as const)]}
          onChange={(movedBy) => onChange({ movedBy }, `${path}/movedBy`)}
        />
        <ChoiceField
          label={word('seatForm.creeps')}
          value={text.creeps}
          options={[
            ['', unknown],
            ['yes', word('seatForm.yes')],
            ['no', word('seatForm.noWord')],
          ]}
          onChange={(creeps) => onChange({ creeps }, `${path}/creeps`)}
        />
        <TextField
          path={`${path}/play`}
          label={word('seatForm.play')}
          value={text.play}
          form={form}
          unit={unitWord(unit, reading)}
          onChange={(play) => onChange({ play }, `${path}/play`)}
        />
        {place('neutral')}
        {place('rest')}
        <TextField
          path={`${path}/tape`}
          label={word('seatForm.tape')}
          value={text.tape}
          form={form}
          isText
          onChange={(tape) => onChange({ tape }, `${path}/tape`)}
        />
      </div>
    </details>
  );
}

export function AdjustmentFields(props: Props) {
  const { text, onChange, onRemove } = props;
  const { kind, unit, move } = text;
  const row: AdjustmentKindRow = ADJUSTMENT_KINDS[kind];
  const name = word(`kind.${kind}`);
  return (
    <div className={styles.adjustment} role="group" aria-label={name}>
      <div className={styles.adjustmentHead}>
        <h3>{name}</h3>
        <span className={parts.soft}>{word(`datum.${row.datum}`)}</span>
        {onRemove && <RemoveButton name={name} onRemove={onRemove} />}
      </div>
      <div className={styles.fields}>
        <Ends {...props} />
        {movesOf(kind).length > 1 && (
          <ChoiceField
            label={sayWith('seatForm.field', { name, field: word('seatForm.move').toLowerCase() })}
            isLabelHidden
            value={move}
            options={movesOf(kind).map((m) => [m, word(`seatForm.move.${m}`)])}
            onChange={(value) => onChange({ move: value }, `adjustments/${kind}/move`)}
          />
        )}
        {row.units.length > 1 && (
          <ChoiceField
            label={sayWith('seatForm.field', { name, field: word('seatForm.unit').toLowerCase() })}
            isLabelHidden
            value={unit}
            options={row.units.map((u) => [u, word(`seatForm.unit.${u}`)])}
            onChange={(value) => onChange({ unit: value }, `adjustments/${kind}/unit`)}
          />
        )}
        <Meaning {...props} />
      </div>
      <Details {...props} />
    </div>
  );
}
