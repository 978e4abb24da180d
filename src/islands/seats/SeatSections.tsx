/** The parts of a seat with what can be adjusted on each, and what else there is to say of them. */
import { Checkbox } from '@mantine/core';
import { ARM_SUPPORTS, SEAT_LENGTHS, SEAT_PARTS, type AdjustmentKind, type SeatPart } from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { t, word } from '../../words';
import { AdjustmentFields } from './AdjustmentFields';
import { ChoiceField, Chips, TextField, type FormState } from './fields';
import { PART_FIELDS, TEXTS, type PlainKey } from './seat-layout';
import { heightFirst, newAdjustment, type AdjustmentText, type SeatText } from './seat-text';
import styles from './seat-form.module.css';

export interface SectionProps {
  readonly text: SeatText;
  readonly form: FormState;
  readonly onChange: (change: Partial<SeatText>, field: string) => void;
}

/** Lengths and other plain numbers of a seat. */
export function PlainFields({
  keys,
  text,
  form,
  onChange,
}: SectionProps & { readonly keys: readonly PlainKey[] }) {
  const reading = useReading();
  const units: Partial<Record<PlainKey, string | undefined>> = {
    ratedLoad: reading.mass,
    referenceMass: reading.mass,
    price: reading.currency,
    zoneLower: reading.length,
    zoneUpper: reading.length,
  };
  const unitOf = (key: PlainKey): string | undefined => (key in SEAT_LENGTHS ? reading.length : units[key]);
  return keys.map((key) => (
    <TextField
      key={key}
      path={key}
      label={t(`seatForm.${key}`)}
      value={text[key]}
      form={form}
      unit={unitOf(key)}
      isText={TEXTS.includes(key)}
      onChange={(value) => onChange({ [key]: value }, key)}
    />
  ));
}

const unknownOr = <T extends string>(
  key: string,
  ids: readonly T[],
): readonly (readonly ['' | T, string])[] => [
  ['', word('seatForm.unknown')],
  ...ids.map((id) => [id, t(`${key}.${id}`)] as const),
];
const YES_NO: readonly (readonly ['' | 'yes' | 'no', string])[] = [
  ['', word('seatForm.unknown')],
  ['yes', word('seatForm.yes')],
  ['no', word('seatForm.noWord')],
];

/** What else belongs to a part: plain values that are not adjusted. */
function PartFields({ part, ...props }: SectionProps & { readonly part: SeatPart }) {
  const { text, onChange } = props;
  if (part === 'pan')
    return (
      <>
        <PlainFields {...props} keys={PART_FIELDS.panFirst} />
        <ChoiceField
          label={word('seatForm.heightsAre')}
          value={text.heightsAre}
          options={[
            ['loaded', word('seatForm.heightsAre.loaded')],
            ['empty', word('seatForm.heightsAre.empty')],
          ]}
          onChange={(heightsAre) => onChange({ heightsAre }, 'heightsAre')}
        />
        <PlainFields {...props} keys={PART_FIELDS.pan} />
      </>
    );
  if (part === 'back') return <PlainFields {...props} keys={PART_FIELDS.back} />;
  if (part === 'lumbar')
    return text.adjustments.some((a) => a.kind === 'lowerLumbar' || a.kind === 'upperLumbar') ? (
      <PlainFields {...props} keys={PART_FIELDS.lumbar} />
    ) : null;
  if (part === 'base') return <PlainFields {...props} keys={PART_FIELDS.base} />;
  if (part !== 'arms' || !text.hasArms) return null;
  return (
    <>
      <ChoiceField
        label={word('seatForm.armSupport')}
        value={text.armSupport}
        options={ARM_SUPPORTS.map((s) => [s, word(`arms.${s}`)])}
        onChange={(armSupport) => onChange({ armSupport }, 'armSupport')}
      />
      <PlainFields {...props} keys={PART_FIELDS.arms} />
      <ChoiceField
        label={word('seatForm.armsOn')}
        value={text.armsOn}
        options={unknownOr('seatForm.armsOn', ['seat', 'back'] as const)}
        onChange={(armsOn) => onChange({ armsOn }, 'armsOn')}
      />
      <ChoiceField
        label={word('seatForm.armsWithBack')}
        value={text.armsWithBack}
        options={YES_NO}
        onChange={(armsWithBack) => onChange({ armsWithBack }, 'armsWithBack')}
      />
      <Checkbox
        label={word('seatForm.turnsRound')}
        checked={text.turnsRound}
        onChange={(e) => onChange({ turnsRound: e.currentTarget.checked }, 'turnsRound')}
      />
    </>
  );
}

/** Adjustments of a part in the order of its row. */
const adjustmentsOf = (text: SeatText, part: SeatPart): AdjustmentText[] =>
  heightFirst(text.adjustments).filter((a) =>
    (SEAT_PARTS[part].kinds as readonly AdjustmentKind[]).includes(a.kind),
  );

export function PartSection({
  part,
  isOpen,
  newest,
  onNewest,
  ...props
}: SectionProps & {
  readonly part: SeatPart;
  readonly isOpen: boolean;
  /** The adjustment that was asked for last. */
  readonly newest: AdjustmentKind | null;
  readonly onNewest: (kind: AdjustmentKind | null) => void;
}) {
  const { text, form, onChange } = props;
  const own = adjustmentsOf(text, part);
  if (!isOpen && own.length === 0) return null;
  const put = (adjustments: readonly AdjustmentText[], field: string, more: Partial<SeatText> = {}) =>
    onChange({ adjustments, ...more }, field);
  const toggle = (kind: AdjustmentKind) => {
    const isThere = text.adjustments.some((a) => a.kind === kind);
    onNewest(isThere ? null : kind);
    put(
      isThere ? text.adjustments.filter((a) => a.kind !== kind) : [...text.adjustments, newAdjustment(kind)],
      `adjustments/${kind}`,
      // Whoever adjusts armrests has some.
      part === 'arms' && !isThere ? { hasArms: true } : {},
    );
  };
  return (
    <section className={styles.part} id={`part-${part}`} aria-label={word(`seatForm.part.${part}`)}>
      <h2>{word(`seatForm.part.${part}`)}</h2>
      {isOpen && (
        <>
          {part === 'arms' && (
            <Checkbox
              label={word('seatForm.hasArms')}
              checked={text.hasArms}
              onChange={(e) =>
                e.currentTarget.checked
                  ? onChange({ hasArms: true }, 'hasArms')
                  : put(
                      text.adjustments.filter((a) => !own.includes(a)),
                      'hasArms',
                      { hasArms: false },
                    )
              }
            />
          )}
          <p className={parts.soft}>{word('seatForm.moves')}</p>
          <Chips
            label={word('seatForm.moves')}
            options={SEAT_PARTS[part].kinds
              .filter((kind) => kind !== 'seatHeight')
              .map((kind) => [kind, word(`kind.${kind}`)] as const)}
            chosen={own.map((a) => a.kind)}
            onToggle={toggle}
          />
        </>
      )}
      {own.map((a) => (
        <AdjustmentFields
          key={a.kind}
          text={a}
          others={text.adjustments.map((o) => o.kind).filter((k) => k !== a.kind)}
          form={form}
          isNew={newest === a.kind}
          onChange={(change, field) =>
            put(
              text.adjustments.map((o) => (o.kind === a.kind ? { ...o, ...change } : o)),
              field,
            )
          }
          onRemove={a.kind === 'seatHeight' ? null : () => toggle(a.kind)}
        />
      ))}
      {isOpen && (
        <div className={styles.fields}>
          <PartFields part={part} {...props} />
        </div>
      )}
    </section>
  );
}
