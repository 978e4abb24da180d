/** What is kept of somebody, handed out whole, and deleted: what goes and what remains. */
import '../../words/pages';
import { useQuery } from '@tanstack/react-query';
import type { SitterDetail } from '../../contract';
import { api } from '../../ui/client';
import parts from '../../ui/parts.module.css';
import { sayWith, word } from '../../words';
import styles from './people.module.css';

export function Privacy({
  sitter,
  fittings,
  onRemove,
}: {
  readonly sitter: SitterDetail;
  readonly fittings: number;
  readonly onRemove: () => void;
}) {
  const found = useQuery({
    queryKey: ['measuring-sessions', sitter.id, sitter.version],
    queryFn: () => api.measuringSessions(sitter.id),
  });
  const readings = found.data?.reduce((sum, { taken }) => sum + taken.length, 0);
  return (
    <section className={styles.privacy} aria-label={word('privacy.title')}>
      <h2>{word('privacy.title')}</h2>
      <p className={parts.soft}>
        {readings !== undefined &&
          sayWith('privacy.kept', { readings, sessions: found.data?.length ?? 0, fittings })}{' '}
        {word('privacy.why')}
      </p>
      <p>
        <a href={`/api/v1/sitters/${sitter.id}/everything.json`} download>
          {word('privacy.everything')}
        </a>
      </p>
      <div className={parts.deletion}>
        <button type="button" className={parts.dangerButton} onClick={onRemove}>
          {word('people.delete')}
        </button>
        <span className={parts.soft}>{word('people.delete.what')}</span>
      </div>
    </section>
  );
}
