import type { PieceSummary } from '../../contract/pieces';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import styles from './pieces.module.css';

/** In which state one is, and above all whether nobody may sit on it. */
export function StateMark({ piece }: { readonly piece: Pick<PieceSummary, 'state' | 'doNotUse'> }) {
  return (
    <>
      {piece.doNotUse && <strong className={styles.stop}>{word('pieces.doNotUse')}</strong>}{' '}
      <span className={piece.doNotUse ? parts.soft : undefined}>{word(`pieces.state.${piece.state}`)}</span>
    </>
  );
}
