import { Button, Checkbox, NativeSelect, TextInput, Textarea } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { GROUNDS, TASKS, WINNERS, type Task } from '../../core/place';
import { OFFERS, SEAT_CLASSES } from '../../core/seat';
import type { PlaceSummary } from '../../contract';
import { ClientError, api, explain } from '../../ui/client';
import { Conflict, type Picks } from '../../ui/Conflict';
import { newId } from '../../ui/ids';
import { useReading } from '../../ui/preferences';
import { useDraft } from '../../ui/use-draft';
import parts from '../../ui/parts.module.css';
import { t, word } from '../../words';
import {
  DESK_FORMS,
  DESK_LENGTHS,
  MORE_LENGTHS,
  PLACE_LABELS,
  differingFields,
  isIn,
  readPlace,
  sayField,
  textsOf,
  toggled,
  type DeskForm,
  type PlaceFaults,
  type PlaceText,
} from './use-place-form';
import styles from './places.module.css';
import { recordMet } from '../../ui/current';

const DESK_WORDS: Record<DeskForm, string> = {
  none: 'places.desk.none',
  fixed: 'places.desk.fixed',
  slides: 'places.desk.slides',
  stops: 'places.desk.stops',
};
const FIELDS: Record<DeskForm, readonly (keyof PlaceText)[]> = {
  none: [],
  fixed: ['height'],
  slides: ['lowest', 'highest'],
  stops: ['stops'],
};
const LISTS: readonly (keyof PlaceText)[] = ['stops', 'footrests'];

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
  const { text, put, drop } = useDraft<PlaceText>(draftKey(existing), initial);
  const [id] = useState(() => existing?.place.id ?? newId());
  const [theirs, setTheirs] = useState<PlaceSummary | null>(null);
  const [faults, setFaults] = useState<PlaceFaults>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    await send(text, existing?.version ?? null);
  };
  const send = async (typed: PlaceText, version: number | null) => {
    const read = readPlace(id, typed, reading);
    setFaults(read.faults);
    if (Object.keys(read.faults).length > 0) return;
    setBusy(true);
    setProblem(null);
    try {
      const saved =
        version === null ? await api.createPlace(read.edit) : await api.editPlace(read.edit, version);
      await drop();
      onSaved(saved);
    } catch (error) {
      const named = error instanceof ClientError ? error.problem : null;
      const current = recordMet('place', error);
      if (current) setTheirs(current);
      else setProblem(named?.errors?.[0]?.detail ?? explain(error));
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
          name: t(PLACE_LABELS[key]),
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
      label={t(PLACE_LABELS[key])}
      value={text[key]}
      onChange={(e) => put({ [key]: e.currentTarget.value })}
      error={faults[key]}
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
      <TextInput
        label={word('places.name')}
        value={text.name}
        maxLength={120}
        onChange={(e) => put({ name: e.currentTarget.value })}
        error={faults.name}
      />
      <NativeSelect
        label={word('places.task')}
        value={text.task}
        onChange={(e) => put({ task: e.currentTarget.value as Task })}
        data={TASKS.map((t) => ({ value: t, label: word(`task.${t}`) }))}
      />
      <NativeSelect
        label={word('places.desk.kind')}
        value={text.form}
        onChange={(e) => put({ form: e.currentTarget.value as DeskForm })}
        data={DESK_FORMS.map((f) => ({ value: f, label: t(DESK_WORDS[f]) }))}
      />
      {FIELDS[text.form].map(length)}
      {text.form !== 'none' && DESK_LENGTHS.map(length)}
      {text.form !== 'none' && (
        <NativeSelect
          label={word('places.wins')}
          value={text.wins}
          onChange={(e) => put({ wins: e.currentTarget.value as PlaceText['wins'] })}
          data={['', ...WINNERS].map((w) => ({
            value: w,
            label: sayField('wins', { ...text, wins: w as PlaceText['wins'] }),
          }))}
        />
      )}
      <details className={styles.more} open={MORE_LENGTHS.some((key) => text[key] !== '') || undefined}>
        <summary>{word('places.more')}</summary>
        <p className={parts.soft}>{word('places.optional')}</p>
        <div>
          {MORE_LENGTHS.map(length)}
          <NativeSelect
            label={word('places.ground')}
            value={text.ground}
            onChange={(e) => put({ ground: e.currentTarget.value as PlaceText['ground'] })}
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
            <legend>{t(PLACE_LABELS[key])}</legend>
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
        value={text.notes}
        maxLength={2000}
        autosize
        minRows={2}
        onChange={(e) => put({ notes: e.currentTarget.value })}
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
