import '../../words/pages';
import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { SEXES } from '../../core/body';
import type { SitterDetail } from '../../contract';
import { api } from '../../ui/client';
import { DateField } from '../../ui/DateField';
import { isDate } from '../../ui/read-date';
import { Conflict, type Picks } from '../../ui/Conflict';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { putFaults } from '../../ui/form-faults';
import { useDraftForm } from '../../ui/use-draft-form';
import { sayDate, word, type Reading } from '../../words';
import styles from './people.module.css';
import { recordMet } from '../../ui/current';

/** Who somebody is, as typed. */
const FIELDS = [
  'name',
  'isNickname',
  'birthDate',
  'sex',
  'consentOn',
  'consentBy',
] as const satisfies readonly (keyof SitterDetail)[];
type Who = Pick<SitterDetail, (typeof FIELDS)[number]>;

const whoOf = (who: Who): Who => ({
  name: who.name,
  isNickname: who.isNickname,
  birthDate: who.birthDate,
  sex: who.sex,
  consentOn: who.consentOn,
  consentBy: who.consentBy,
});
const isSame = (a: Who, b: Who): boolean => FIELDS.every((field) => a[field] === b[field]);

function sayField(field: keyof Who, who: Who, reading: Reading): string {
  if (field === 'sex') return word(`people.sex.${who.sex ?? 'none'}`);
  if (field === 'name') return who.name;
  if (field === 'isNickname') return word(who.isNickname ? 'people.yes' : 'people.no');
  if (field === 'consentBy') return who.consentBy ?? '–';
  const date = who[field];
  if (!date) return '–';
  return isDate(date) ? sayDate(date, reading) : date;
}

/** Who somebody is, and whether measures may be kept. */
export function Identity({
  sitter,
  today,
  onSaved,
}: {
  readonly sitter: SitterDetail;
  /** Local date of the practice. */
  readonly today: string;
  readonly onSaved: (sitter: SitterDetail) => void;
}) {
  // Kept in this browser while it is typed: leaving the page without saving loses nothing.
  const {
    form,
    text: typed,
    put,
    drop,
  } = useDraftForm<Who>(`who:${sitter.id}`, whoOf(sitter), ({ name }) =>
    name.trim() === '' ? { name: word('people.nameMissing') } : {},
  );
  const [problem, setProblem] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<SitterDetail | null>(null);
  const reading = useReading();
  const mine: Who = { ...typed, name: typed.name.trim(), consentBy: typed.consentBy?.trim() || null };
  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    if (form.validate().hasErrors) return;
    setProblem(null);
    // The field says itself what is wrong with it.
    if (![mine.birthDate, mine.consentOn].every((date) => date === null || isDate(date))) return;
    await send(mine, sitter.version);
  };
  const send = async (edit: Who, version: number) => {
    try {
      const saved = await api.editSitter(sitter.id, version, edit);
      setTheirs(null);
      put(whoOf(saved));
      await drop();
      onSaved(saved);
    } catch (error) {
      const current = recordMet('sitter', error);
      if (current && isSame(current, sitter)) {
        // Only measures were taken at the same time: they do not touch what is changed here.
        onSaved(current);
        return send(edit, current.version);
      }
      if (current) return setTheirs(current);
      setProblem(putFaults(form, error));
    }
  };
  const decide = async (picks: Picks) => {
    if (!theirs) return;
    onSaved(theirs);
    const of = (field: keyof Who): Who => (picks[field] === 'theirs' ? theirs : mine);
    const decided = Object.fromEntries(FIELDS.map((field) => [field, of(field)[field]])) as unknown as Who;
    await send(decided, theirs.version);
  };
  if (theirs) {
    const rows = FIELDS.map((id) => ({
      id,
      name: word(`people.${id}`),
      mine: sayField(id, mine, reading),
      theirs: sayField(id, theirs, reading),
    })).filter((row) => row.mine !== row.theirs);
    return (
      <Conflict
        rows={rows.map((row) => ({ ...row, first: 'mine' }))}
        onDecide={(picks) => void decide(picks)}
      />
    );
  }
  return (
    <form
      className={styles.identity}
      onSubmit={(e) => void save(e)}
      aria-label={word('people.edit')}
      noValidate
    >
      <TextInput
        label={word('people.name')}
        {...form.getInputProps('name')}
        maxLength={120}
        style={{ flex: '1 1 18rem' }}
      />
      <Checkbox
        label={word('people.isNickname')}
        {...form.getInputProps('isNickname', { type: 'checkbox' })}
        className={styles.box}
      />
      <DateField
        label={word('people.birthDate')}
        value={typed.birthDate ?? ''}
        last={today}
        onChange={(date) => put({ birthDate: date || null })}
        error={form.errors.birthDate}
      />
      <NativeSelect
        label={word('people.sex')}
        value={typed.sex ?? ''}
        onChange={(e) => put({ sex: (e.currentTarget.value || null) as Who['sex'] })}
        data={[
          { value: '', label: word('people.sex.none') },
          ...SEXES.map((sex) => ({ value: sex, label: word(`people.sex.${sex}`) })),
        ]}
      />
      <DateField
        label={word('people.consentOn')}
        value={typed.consentOn ?? ''}
        last={today}
        onChange={(date) => put({ consentOn: date || null })}
        error={form.errors.consentOn}
      />
      {typed.consentOn === null && (
        <Button variant="default" onClick={() => put({ consentOn: today })}>
          {word('people.consentToday')}
        </Button>
      )}
      <TextInput
        label={word('people.consentBy')}
        placeholder={word('people.consentBy.hint')}
        value={typed.consentBy ?? ''}
        maxLength={120}
        onChange={(e) => put({ consentBy: e.currentTarget.value || null })}
      />
      <Button type="submit" variant="default" disabled={isSame(mine, sitter)}>
        {word('people.save')}
      </Button>
      {!isSame(mine, sitter) && (
        <p className={parts.notice} role="status" style={{ flex: '1 1 100%' }}>
          {word('people.unsaved')}{' '}
          <button
            type="button"
            className={parts.plainButton}
            onClick={() => {
              put(whoOf(sitter));
              void drop();
            }}
          >
            {word('people.discard')}
          </button>
        </p>
      )}
      {problem && <p role="alert">{problem}</p>}
      {typed.isNickname && !sitter.isNickname && (
        <p className={parts.soft}>{word('people.isNickname.what')}</p>
      )}
      {sitter.consentOn === null && (
        <p className={parts.notice} style={{ flex: '1 1 100%' }}>
          {word('people.noConsent')}
        </p>
      )}
    </form>
  );
}
