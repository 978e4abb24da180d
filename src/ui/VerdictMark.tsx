import { VERDICT_LINES } from '../core/scene';
import { t, word } from '../words';
import styles from './parts.module.css';

export function VerdictGlyph({ verdict }: { readonly verdict: string }) {
  return (
    <svg width="26" height="14" viewBox="0 0 26 14" aria-hidden="true">
      <path d={VERDICT_LINES[verdict] ?? ''} fill="none" stroke="currentColor" strokeWidth="2.5" />
    </svg>
  );
}

export function VerdictMark({
  verdict,
  kind = 'verdict',
  isEstimate = false,
}: {
  readonly verdict: string;
  /** Whether a measure behind it was only estimated. */
  readonly isEstimate?: boolean;
  readonly kind?: 'verdict' | 'checkVerdict';
}) {
  return (
    <span className={styles.verdict} data-verdict={verdict}>
      <VerdictGlyph verdict={verdict} />
      {t(`${kind}.${verdict}`)}
      {isEstimate && `, ${word('set.onEstimate')}`}
    </span>
  );
}
