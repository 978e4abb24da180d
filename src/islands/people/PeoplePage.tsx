import '../../words/pages';
import { Button, Checkbox, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { FITTING_DIMENSIONS } from '../../core/body';
import type { Sitter } from '../../contract';
import type { Page } from '../../contract/paging';
import { DateField } from '../../ui/DateField';
import { isDate } from '../../ui/read-date';
import { api } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import { LoadFault, MoreLine } from '../../ui/MoreLine';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { putFaults } from '../../ui/form-faults';
import { useDraftForm } from '../../ui/use-draft-form';
import { usePages } from '../../ui/use-pages';
import { sayWith, word } from '../../words';
import { SheetLinks } from './SheetLinks';
import styles from './people.module.css';

function NewSitter({ today }: { readonly today: string }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { form, text, drop } = useDraftForm(
    'sitter:new',
    { name: '', birthDate: '', isNickname: false, consents: false },
    ({ name }) => (name.trim() === '' ? { name: word('people.nameMissing') } : {}),
  );
  const [id] = useState(newId);
  const create = async (event: SubmitEvent) => {
    event.preventDefault();
    if (form.validate().hasErrors) return;
    const birthDate = text.birthDate || null;
    // The field says itself what is wrong with it.
    if (birthDate !== null && !isDate(birthDate)) return;
    setBusy(true);
    try {
      const sitter = await api.createSitter({
        id,
        name: text.name.trim(),
        birthDate,
        isNickname: text.isNickname,
        consentOn: text.consents ? today : null,
      });
      await drop();
      window.location.href = `/people/${sitter.id}`;
    } catch (error) {
      setBusy(false);
      setProblem(putFaults(form, error));
    }
  };
  return (
    <form className={styles.create} onSubmit={(e) => void create(e)} noValidate>
      <h2>{word('people.new')}</h2>
      <TextInput
        name="name"
        {...form.getInputProps('name')}
        label={word('people.name')}
        description={word('people.nickname.hint')}
        maxLength={120}
        autoComplete="off"
      />
      <Checkbox
        label={word('people.isNickname')}
        {...form.getInputProps('isNickname', { type: 'checkbox' })}
      />
      <DateField
        name="birthDate"
        last={today}
        value={text.birthDate}
        onChange={(birthDate) => form.setFieldValue('birthDate', birthDate)}
        error={form.errors.birthDate}
        label={word('people.birthDate')}
        description={word('people.birthDate.hint')}
      />
      <Checkbox
        label={word('people.consentNow')}
        description={word('people.consent')}
        {...form.getInputProps('consents', { type: 'checkbox' })}
      />
      {problem && <p role="alert">{problem}</p>}
      <Button type="submit" loading={busy}>
        {word('people.create')}
      </Button>
    </form>
  );
}

function Results({ sitters, search }: { readonly sitters: readonly Sitter[]; readonly search: string }) {
  if (sitters.length === 0) {
    return (
      <div className={parts.empty}>
        <p>{word(search === '' ? 'people.empty' : 'people.none')}</p>
      </div>
    );
  }
  return (
    <table className={parts.table}>
      <thead>
        <tr>
          <th scope="col">{word('people.name')}</th>
          <th scope="col">{word('people.measured')}</th>
        </tr>
      </thead>
      <tbody>
        {sitters.map((sitter) => (
          <tr key={sitter.id}>
            <td>
              <a href={`/people/${sitter.id}`}>{sitter.name}</a>
            </td>
            <td>{sayWith('people.of', { n: sitter.measured, all: FITTING_DIMENSIONS.length })}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function People({ initial, today }: { readonly initial: Page<Sitter>; readonly today: string }) {
  const [search, setSearch] = useState('');
  const found = usePages(['sitters', search], search === '' ? initial : null, (cursor) =>
    api.sitters(search, cursor),
  );
  return (
    <>
      <div className={parts.head}>
        <h1>{word('people.title')}</h1>
        <a href="/people/files">{word('people.files')}</a>
      </div>
      <div className={styles.columns}>
        <section aria-label={word('people.title')}>
          <TextInput
            type="search"
            label={word('people.search')}
            value={search}
            onChange={(e) => setSearch(e.currentTarget.value)}
            mb="sm"
          />
          <LoadFault pages={found} />
          {found.total !== null && <Results sitters={found.items} search={search} />}
          <MoreLine pages={found} of="people" />
        </section>
        <div>
          <NewSitter today={today} />
          <SheetLinks sitterId={null} isMeasured={false} />
        </div>
      </div>
    </>
  );
}

export default function PeoplePage({
  page,
  sitters,
}: {
  readonly page: PageProps;
  readonly sitters: Page<Sitter>;
}) {
  return (
    <Frame page={page} area="people">
      <People initial={sitters} today={page.today} />
    </Frame>
  );
}
