import '../../words/pages';
import { Providers } from '../../ui/Providers';
import { DEFAULT_READING, word } from '../../words';
import styles from './label.module.css';

/** Of a label that was withdrawn, or that never was. */
export default function LabelGone() {
  return (
    <Providers reading={DEFAULT_READING}>
      <main className={styles.page}>
        <h1>{word('label.gone')}</h1>
        <p>{word('label.gone.why')}</p>
      </main>
    </Providers>
  );
}
