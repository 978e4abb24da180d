import { useContext, useState } from 'react';
import { AskedContext, rememberAsked, wasAsked } from '../../../ui/asked';
import parts from '../../../ui/parts.module.css';
import { word } from '../../../words';
import styles from './measures.module.css';

const SIGNS = ['nerves', 'emergency', 'sameDay', 'others'] as const;

/**
 * What is asked once a person and day before anything is measured or set.
 * @returns what to show, null once none of it applies; and whether some of it does, so that nothing is to go on
 */
export function useWarningSigns(sitterId: string) {
  const asked = useContext(AskedContext);
  const [answer, setAnswer] = useState<'open' | 'none' | 'some'>(wasAsked(asked, sitterId) ? 'none' : 'open');
  const none = () => {
    rememberAsked(asked, sitterId);
    setAnswer('none');
  };
  const panel =
    answer === 'none' ? null : answer === 'open' ? (
      <section className={styles.signs} aria-label={word('signs.title')}>
        <div className={styles.signsHead}>
          <h2>{word('signs.title')}</h2>
          <button type="button" className={parts.plainButton} onClick={none}>
            {word('signs.none')}
          </button>
          <button type="button" className={parts.plainButton} onClick={() => setAnswer('some')}>
            {word('signs.some')}
          </button>
          <span className={parts.soft}>{word('signs.notKept')}</span>
        </div>
        <ul>
          {SIGNS.map((id) => (
            <li key={id}>{word(`signs.${id}`)}</li>
          ))}
        </ul>
        <p className={parts.soft}>{word('signs.outside')}</p>
      </section>
    ) : (
      <div className={parts.notice} data-tone="misfit" role="alert">
        <p>{word('signs.stop')}</p>
        <button type="button" className={parts.plainButton} onClick={() => setAnswer('open')}>
          {word('signs.again')}
        </button>
      </div>
    );
  return { panel, isStopped: answer === 'some' };
}
