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
      <form className={styles.preference} onSubmit={(e) => void add(e)}>
        <input
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
    <label className={styles.preference}>
      {word('pref.fitter')}
      <select value={chosen} onChange={(e) => choose(e.currentTarget.value)}>
        <option value="">{word('pref.fitter.none')}</option>
        {fitters.map((fitter) => (
          <option key={fitter.id} value={fitter.id}>
            {fitter.name}
          </option>
        ))}
        <option value={ADD}>{word('pref.fitter.new')} …</option>
      </select>
    </label>
  );
}
