import { word } from '../words';
import styles from './chain.module.css';

/** The steps from measures to a number, opened where somebody asks; never on paper. */
export function Chain({ steps }: { readonly steps: readonly string[] }) {
  return (
    <details className={styles.chain}>
      <summary>{word('chain.title')}</summary>
      <ol>
        {steps.map((step, i) => (
          <li key={i}>{step}</li>
        ))}
      </ol>
    </details>
  );
}
