import { Button, Checkbox, NativeSelect, TextInput, Textarea } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { GROUNDS, TASKS, WINNERS } from '../../core/place';
import { OFFERS, SEAT_CLASSES } from '../../core/seat';
import type { PlaceSummary } from '../../contract';
import { api } from '../../ui/client';
import { putFaults } from '../../ui/form-faults';
import { Conflict, type Picks } from '../../ui/Conflict';
import { newId } from '../../ui/ids';
import { useReading } from '../../ui/preferences';
import { useDraftForm } from '../../ui/use-draft-form';
import parts from '../../ui/parts.module.css';
import { t, word } from '../../words';
import {
  DESK_FORMS,
  differingFields,
  isIn,
  labelOf,
  readPlace,
  sayField,
  textsOf,
  toggled,
  type DeskForm,
  type PlaceText,
} from './place-text';
import { DESK_HEIGHTS, DESK_LENGTHS, LISTS, MORE_FIELDS } from './place-layout';
import styles from './places.module.css';
import { recordMet } from '../../ui/current';

const DESK_WORDS: Record<DeskForm, string> = {
  none: 'places.desk.none',
  fixed: 'places.desk.fixed',
  slides: 'places.desk.slides',
  stops: 'places.desk.stops',
};
const draftKey = (existing: PlaceSummary | null): string => `place:${existing?.place.id ?? 'new'}`;

interface Props {
  readonly existing: PlaceSummary | null;
  readonly onSaved: (place: PlaceSummary) => void;
  readonly onCancel: () => void;
}

/** A place to be made or changed; saving a change makes a new version. */
export function PlaceForm({ existing, onSaved, onCancel }: Props) {
  const reading = useReading();
  const [initial] = useState(() => textsOf(existing?.place ?? null, reading));
  const [id] = useState(() => existing?.place.id ?? newId());
  const { form, text, put, drop } = useDraftForm<PlaceText>(
    draftKey(existing),
    initial,
    (typed) => readPlace(id, typed, reading).faults,
  );
  const [theirs, setTheirs] = useState<PlaceSummary | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    await send(form.getValues(), existing?.version ?? null);
  };
  const send = async (typed: PlaceText, version: number | null) => {
    if (form.validate().hasErrors) return;
    const { edit } = readPlace(id, typed, reading);
    setBusy(true);
    setProblem(null);
    try {
      const saved = version === null ? await api.createPlace(edit) : await api.editPlace(edit, version);
      await drop();
      onSaved(saved);
    } catch (error) {
      const current = recordMet('place', error);
      if (current) setTheirs(current);
      else setProblem(putFaults(form, error));
      setBusy(false);
    }
  };
  const cancel = async () => {
    await drop();
    onCancel();
  };
  if (theirs) {
    const other = textsOf(theirs.place, reading);
    const fields = differingFields(text, other);
    const decide = async (picks: Picks) => {
      const chosen = Object.fromEntries(
        fields.map((key) => [key, picks[key] === 'theirs' ? other[key] : text[key]]),
      ) as Partial<PlaceText>;
      put(chosen);
      setTheirs(null);
      await send({ ...text, ...chosen }, theirs.version);
    };
    return (
      <Conflict
        busy={busy}
        rows={fields.map((key) => ({
          id: key,
          name: labelOf(key),
          mine: sayField(key, text),
          theirs: sayField(key, other),
          first: initial[key] === text[key] ? 'theirs' : 'mine',
        }))}
        onDecide={(picks) => void decide(picks)}
      />
    );
  }

  const length = (key: keyof PlaceText) => (
    <TextInput
      key={key}
      label={labelOf(key)}
      {...form.getInputProps(key)}
      rightSection={<span className={parts.soft}>{reading.length}</span>}
      inputMode={reading.length === 'in' || LISTS.includes(key) ? 'text' : 'decimal'}
      autoComplete="off"
    />
  );

  return (
    <form
      className={styles.form}
      onSubmit={(e) => void save(e)}
      noValidate
      aria-label={existing ? existing.place.name : word('places.new')}
    >
      <h2>{existing ? existing.place.name : word('places.new')}</h2>
      <TextInput label={word('places.name')} {...form.getInputProps('name')} maxLength={120} />
      <NativeSelect
        label={word('places.task')}
        {...form.getInputProps('task')}
        data={TASKS.map((t) => ({ value: t, label: word(`task.${t}`) }))}
      />
      <NativeSelect
        label={word('places.form')}
        {...form.getInputProps('form')}
        data={DESK_FORMS.map((f) => ({ value: f, label: t(DESK_WORDS[f]) }))}
      />
      {DESK_HEIGHTS[text.form].map(length)}
      {text.form !== 'none' && DESK_LENGTHS.map(length)}
      {text.form !== 'none' && (
        <NativeSelect
          label={word('places.wins')}
          {...form.getInputProps('wins')}
          data={['', ...WINNERS].map((w) => ({
            value: w,
            label: sayField('wins', { ...text, wins: w as PlaceText['wins'] }),
          }))}
        />
      )}
      <details className={styles.more} open={MORE_FIELDS.some((key) => text[key] !== '') || undefined}>
        <summary>{word('places.more')}</summary>
        <p className={parts.soft}>{word('places.optional')}</p>
        <div>
          {MORE_FIELDS.map(length)}
          <NativeSelect
            label={word('places.ground')}
            {...form.getInputProps('ground')}
            data={['', ...GROUNDS].map((g) => ({
              value: g,
              label: sayField('ground', { ...text, ground: g as PlaceText['ground'] }),
            }))}
          />
        </div>
      </details>
      <details className={styles.more} open={text.needs + text.seatClasses !== '' || undefined}>
        <summary>{word('places.suits')}</summary>
        <p className={parts.soft}>{word('places.suits.hint')}</p>
        {(
          [
            ['needs', 'offer', OFFERS],
            ['seatClasses', 'class', SEAT_CLASSES],
          ] as const
        ).map(([key, kind, ids]) => (
          <fieldset key={key} className={styles.choices}>
            <legend>{labelOf(key)}</legend>
            {ids.map((id) => (
              <Checkbox
                key={id}
                label={t(`${kind}.${id}`)}
                checked={isIn(text[key], id)}
                onChange={() => put({ [key]: toggled(text[key], id) })}
              />
            ))}
          </fieldset>
        ))}
      </details>
      <Textarea
        label={word('places.notes')}
        {...form.getInputProps('notes')}
        maxLength={2000}
        autosize
        minRows={2}
      />
      {problem && (
        <p className={parts.notice} data-tone="misfit" role="alert">
          {problem}
        </p>
      )}
      <div className={styles.buttons}>
        <Button type="submit" loading={busy}>
          {word('places.save')}
        </Button>
        <Button variant="default" onClick={() => void cancel()}>
          {word('places.cancel')}
        </Button>
      </div>
    </form>
  );
}
