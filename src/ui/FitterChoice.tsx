import { NativeSelect, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { word } from '../words';
import { api, explain } from './client';
import { fieldText } from './form';
import { newId } from './ids';
import { keep, type PageProps } from './preferences';
import styles from './parts.module.css';

const ADD = 'add';

/** Who works at this device: chosen once, kept in a cookie, printed on the card. */
export function FitterChoice({ page }: { readonly page: PageProps }) {
  const [fitters, setFitters] = useState(page.fitters);
  const [chosen, setChosen] = useState(page.fitterId ?? '');
  const [adding, setAdding] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const choose = (id: string) => {
    if (id === ADD) return setAdding(true);
    keep('velto-fitter', id);
    setChosen(id);
  };
  const add = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const name = fieldText(new FormData(event.currentTarget), 'name');
    if (name === '') return setAdding(false);
    try {
      const fitter = await api.addFitter({ id: newId(), name });
      setFitters([...fitters, fitter]);
      choose(fitter.id);
      setAdding(false);
    } catch (error) {
      setFault(explain(error));
    }
  };
  if (adding) {
    return (
      <form className={styles.headTools} onSubmit={(e) => void add(e)}>
        <TextInput
          name="name"
          aria-label={word('pref.fitter.name')}
          placeholder={word('pref.fitter.name')}
          maxLength={120}
          autoFocus
        />
        <button type="submit" className={styles.plainButton}>
          {word('pref.fitter.add')}
        </button>
        {fault && <span role="alert">{fault}</span>}
      </form>
    );
  }
  return (
    <NativeSelect
      className={styles.fitterSelect}
      aria-label={word('pref.fitter')}
      value={chosen}
      data={[
        { value: '', label: word('pref.fitter.none') },
        ...fitters.map((fitter) => ({ value: fitter.id, label: fitter.name })),
        { value: ADD, label: `${word('pref.fitter.new')} …` },
      ]}
      onChange={(e) => choose(e.currentTarget.value)}
    />
  );
}
