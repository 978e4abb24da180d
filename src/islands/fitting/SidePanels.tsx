/** What stands around the tracks: angles, checks of the seat as a whole, remedies. */
import { memo } from 'react';
import type { Assessment, Remedy, RemedySettings } from '../../core/fit';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { VerdictGlyph, VerdictMark } from '../../ui/VerdictMark';
import { sayValue, word } from '../../words';
import styles from './set.module.css';

export const Angles = memo(function Angles({ angles }: Pick<Assessment, 'angles'>) {
  const reading = useReading();
  return (
    <dl className={styles.angles} aria-label={word('set.angles')}>
      {angles.map((angle) => (
        <div key={angle.id} data-inside={angle.deg === null ? undefined : angle.inside}>
          <dt>{word(`angle.${angle.id}`)}</dt>
          <dd>
            {angle.deg === null ? word('measure.missing') : sayValue({ deg: angle.deg }, reading)}
            {angle.deg !== null && angle.wanted && (
              <VerdictGlyph verdict={angle.inside ? 'fits' : 'cannotReach'} />
            )}
            {angle.wanted && (
              <span className={parts.soft}>
                {word('set.wanted')
                  .replace('{lo}', sayValue({ deg: angle.wanted.lo }, reading))
                  .replace('{hi}', sayValue({ deg: angle.wanted.hi }, reading))}
              </span>
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
});

export const Checks = memo(function Checks({ checks }: Pick<Assessment, 'checks'>) {
  const say = useSay();
  return (
    <ul className={styles.checks} aria-label={word('set.checks')}>
      {checks.map((check) => (
        <li key={check.id} data-verdict={check.verdict}>
          <strong>{word(`check.${check.id}`)}</strong>{' '}
          <VerdictMark verdict={check.verdict} kind="checkVerdict" /> <span>{say(check.reason)}</span>
        </li>
      ))}
    </ul>
  );
});

interface RemediesProps {
  readonly offered: readonly Remedy[];
  readonly inUse: RemedySettings;
  readonly disabled: boolean;
  readonly onUse: (remedies: RemedySettings) => void;
}

const FIELD: Record<Remedy['id'], keyof RemedySettings> = {
  footrest: 'footrestMm',
  backCushion: 'backCushionMm',
};
const IDS: readonly Remedy['id'][] = ['footrest', 'backCushion'];

export function Remedies({ offered, inUse, disabled, onUse }: RemediesProps) {
  const say = useSay();
  const reading = useReading();
  const rows = IDS.map((id) => ({
    id,
    remedy: offered.find((r) => r.id === id),
    sizeMm: inUse[FIELD[id]],
  })).filter((r) => r.remedy || r.sizeMm > 0);
  if (rows.length === 0) return null;
  return (
    <section className={styles.remedies} aria-label={word('set.remedies')}>
      <h3>{word('set.remedies')}</h3>
      {rows.map(({ id, remedy, sizeMm }) => (
        <p key={id}>
          <strong>
            {word(`remedy.${id}.name`)}{' '}
            {sayValue({ mm: sizeMm > 0 ? sizeMm : (remedy?.sizeMm ?? 0) }, reading)}
          </strong>
          {sizeMm > 0 && ` (${word('set.remedy.inUse')})`}. {remedy && say(remedy.arithmetic)}{' '}
          <button
            type="button"
            className={parts.plainButton}
            disabled={disabled}
            onClick={() => onUse({ ...inUse, [FIELD[id]]: sizeMm > 0 ? 0 : (remedy?.sizeMm ?? 0) })}
          >
            {word(sizeMm > 0 ? 'set.remedy.drop' : 'set.remedy.use')}
          </button>
        </p>
      ))}
    </section>
  );
}
