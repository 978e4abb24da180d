import { word } from '../words';
import styles from './parts.module.css';

/**
 * The state as a level line in miniature: straight where it fits, stepped where it is close, broken and apart
 * where it does not, dotted where nothing was measured.
 */
const LINES: Record<string, string> = {
  fits: 'M1 7H25',
  passes: 'M1 7H25',
  close: 'M1 8.5H13V5.5H25',
  off: 'M1 11H9M17 3H25',
  cannotReach: 'M1 11H9M17 3H25',
  refused: 'M1 11H9M17 3H25M9 13L17 1',
  notMeasured: 'M2 7H4M8 7H10M14 7H16M20 7H22',
};

export function VerdictGlyph({ verdict }: { readonly verdict: string }) {
  return (
    <svg width="26" height="14" viewBox="0 0 26 14" aria-hidden="true">
      <path d={LINES[verdict] ?? ''} fill="none" stroke="currentColor" strokeWidth="2.5" />
    </svg>
  );
}

export function VerdictMark({
  verdict,
  kind = 'verdict',
}: {
  readonly verdict: string;
  readonly kind?: 'verdict' | 'checkVerdict';
}) {
  return (
    <span className={styles.verdict} data-verdict={verdict}>
      <VerdictGlyph verdict={verdict} />
      {word(`${kind}.${verdict}`)}
    </span>
  );
}
