/** What a seat has beyond its adjustments: what it offers, states, cushions, lifts, label and care. */
import { Checkbox, Textarea } from '@mantine/core';
import { COVERS, CUSHION_ZONES, OFFERS, STATE_KINDS, type Offer, type StateKind } from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import { ChoiceField, Chips, Fault, TextField } from './fields';
import { PlainFields, type SectionProps } from './SeatSections';
import type { SeatText } from './seat-text';
import styles from './seat-form.module.css';

const toggled = <T,>(list: readonly T[], item: T): T[] =>
  list.includes(item) ? list.filter((other) => other !== item) : [...list, item];

function Cushions({ text, form, onChange }: SectionProps) {
  const reading = useReading();
  const put = (cushions: SeatText['cushions'], field: string) => onChange({ cushions }, field);
  return (
    <>
      {text.cushions.map((cushion, i) => {
        const change = (next: Partial<typeof cushion>) =>
          put(
            text.cushions.map((c, at) => (at === i ? { ...c, ...next } : c)),
            `cushions/${i}`,
          );
        const name = word(`cushion.${cushion.zone}`);
        return (
          <div key={i} className={styles.fields} role="group" aria-label={name}>
            <ChoiceField
              label={word('seatForm.cushions')}
              value={cushion.zone}
              options={CUSHION_ZONES.map((z) => [z, word(`cushion.${z}`)])}
              onChange={(zone) => change({ zone })}
            />
            <TextField
              path={`cushions/${i}`}
              label={word('seatForm.cushion.thickness')}
              value={cushion.thickness}
              form={form}
              unit={reading.length}
              onChange={(thickness) => change({ thickness })}
            />
            <ChoiceField
              label={word('seatForm.cushion.belongsTo')}
              value={cushion.belongsTo}
              options={[
                ['seat', word('seatForm.cushion.seat')],
                ['sitter', word('seatForm.cushion.sitter')],
              ]}
              onChange={(belongsTo) => change({ belongsTo })}
            />
            <Checkbox
              label={word('seatForm.cushion.slips')}
              checked={cushion.slips}
              onChange={(e) => change({ slips: e.currentTarget.checked })}
            />
            <button
              type="button"
              className={parts.plainButton}
              onClick={() =>
                put(
                  text.cushions.filter((_, at) => at !== i),
                  'cushions',
                )
              }
            >
              {sayWith('seatForm.remove', { name })}
            </button>
          </div>
        );
      })}
      <button
        type="button"
        className={parts.plainButton}
        onClick={() =>
          put(
            [...text.cushions, { zone: 'lumbar', thickness: '', belongsTo: 'seat', slips: false }],
            'cushions',
          )
        }
      >
        {word('seatForm.cushion.add')}
      </button>
    </>
  );
}

function Lifts({ text, form, onChange }: SectionProps) {
  const reading = useReading();
  const put = (lifts: SeatText['lifts'], field: string) => onChange({ lifts }, field);
  return (
    <>
      {text.lifts.map((lift, i) => {
        const change = (next: Partial<typeof lift>) =>
          put(
            text.lifts.map((l, at) => (at === i ? { ...l, ...next } : l)),
            `lifts/${i}`,
          );
        return (
          <div key={i} className={styles.fields}>
            {(['name', 'lowest', 'highest'] as const).map((key) => (
              <TextField
                key={key}
                path={`lifts/${i}/${key}`}
                label={word(key === 'name' ? 'seatForm.lift.name' : `seatForm.${key}`)}
                value={lift[key]}
                form={form}
                isText={key === 'name'}
                unit={key === 'name' ? undefined : reading.length}
                onChange={(value) => change({ [key]: value })}
              />
            ))}
            <button
              type="button"
              className={parts.plainButton}
              onClick={() =>
                put(
                  text.lifts.filter((_, at) => at !== i),
                  'lifts',
                )
              }
            >
              {sayWith('seatForm.remove', { name: lift.name || word('seatForm.lift.name') })}
            </button>
            <p className={styles.fault}>
              <Fault fault={form.faults[`lifts/${i}`]} />
            </p>
          </div>
        );
      })}
      <button
        type="button"
        className={parts.plainButton}
        onClick={() => put([...text.lifts, { name: '', lowest: '', highest: '' }], 'lifts')}
      >
        {word('seatForm.lift.add')}
      </button>
    </>
  );
}

export function MoreSections(props: SectionProps & { readonly isVariant: boolean }) {
  const { text, form, onChange, isVariant } = props;
  const offered = text.offers.split(' ').filter(Boolean) as Offer[];
  return (
    <>
      <section className={styles.part} aria-label={word('seatForm.about')}>
        <h2>{word('seatForm.about')}</h2>
        <div className={styles.fields}>
          <PlainFields
            {...props}
            keys={['ratedLoad', 'price', ...(isVariant ? (['variantLabel'] as const) : [])]}
          />
          <ChoiceField
            label={word('seatForm.coverComesOff')}
            value={text.coverComesOff}
            options={[
              ['', word('seatForm.unknown')],
              ...COVERS.map((c) => [c, word(`seatForm.cover.${c}`)] as const),
            ]}
            onChange={(coverComesOff) => onChange({ coverComesOff }, 'coverComesOff')}
          />
          <PlainFields {...props} keys={['cleaning']} />
        </div>
        <Textarea
          label={word('seatForm.notes')}
          value={text.notes}
          maxLength={2000}
          autosize
          minRows={2}
          onChange={(e) => onChange({ notes: e.currentTarget.value }, 'notes')}
        />
      </section>
      <details className={styles.more} open={offered.length > 0 || undefined}>
        <summary>{word('seatForm.offers')}</summary>
        <Chips
          label={word('seatForm.offers')}
          options={OFFERS.map((o) => [o, word(`offer.${o}`)])}
          chosen={offered}
          onToggle={(offer) => onChange({ offers: toggled(offered, offer).join(' ') }, 'offers')}
        />
        <p className={styles.fault}>
          <Fault fault={form.faults.offers} />
        </p>
      </details>
      <details className={styles.more} open={text.states.length > 0 || undefined}>
        <summary>{word('seatForm.states')}</summary>
        <Chips
          label={word('seatForm.states')}
          options={STATE_KINDS.map((s) => [s, word(`seatState.${s}`)])}
          chosen={text.states}
          onToggle={(state) => onChange({ states: toggled<StateKind>(text.states, state) }, 'states')}
        />
        <p className={styles.fault}>
          <Fault fault={form.faults.states} />
        </p>
      </details>
      <details className={styles.more} open={text.cushions.length > 0 || undefined}>
        <summary>{word('seatForm.cushions')}</summary>
        <Cushions {...props} />
      </details>
      <details className={styles.more} open={text.lifts.length > 0 || undefined}>
        <summary>{word('seatForm.lifts')}</summary>
        <Lifts {...props} />
      </details>
    </>
  );
}
