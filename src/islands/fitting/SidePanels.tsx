/** What stands around the tracks: angles, checks of the seat as a whole, remedies. */
import { memo, useRef } from 'react';
import {
  ANGLE_SOURCES,
  type Assessment,
  type PostureAngle,
  type Remedy,
  type RemedySettings,
} from '../../core/fit';
import { usePaint, usePart, writeText } from '../../drawing';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { VerdictGlyph, VerdictMark } from '../../ui/VerdictMark';
import { sayValue, word, type Reading } from '../../words';
import type { Live } from './live';
import styles from './set.module.css';

const angleOf = (a: Assessment, id: PostureAngle['id']): PostureAngle => a.angles.find((x) => x.id === id)!;

function sayAngle({ deg, isEstimate }: PostureAngle, reading: Reading): string {
  if (deg === null) return word('measure.missing');
  const said = sayValue({ deg }, reading);
  return isEstimate ? word('set.about').replace('{value}', said) : said;
}

function Angle({ id, live }: { readonly id: PostureAngle['id']; readonly live: Live }) {
  const reading = useReading();
  const shown = useRef<HTMLSpanElement>(null);
  const { deg, wanted } = angleOf(live.get(), id);
  const inside = usePart(live, (a) => angleOf(a, id).inside);
  usePaint(
    live,
    (a) => angleOf(a, id).deg,
    () => writeText(shown.current, sayAngle(angleOf(live.get(), id), reading)),
  );
  return (
    <div data-inside={deg === null ? undefined : inside}>
      <dt>{word(`angle.${id}`)}</dt>
      <dd>
        <b ref={shown}>{sayAngle(angleOf(live.get(), id), reading)}</b>
        {deg !== null && wanted && <VerdictGlyph verdict={inside ? 'fits' : 'cannotReach'} />}
        {wanted && (
          <span className={parts.soft}>
            {word('set.wanted')
              .replace('{lo}', sayValue({ deg: wanted.lo }, reading))
              .replace('{hi}', sayValue({ deg: wanted.hi }, reading))}
          </span>
        )}
      </dd>
    </div>
  );
}

/** The angles of the posture; which of them can be told comes with the measures. */
export const Angles = memo(function Angles({ live }: { readonly live: Live }) {
  const { angles } = live.get();
  return (
    <>
      <dl className={styles.angles} aria-label={word('set.angles')}>
        {angles.map(({ id }) => (
          <Angle key={id} id={id} live={live} />
        ))}
      </dl>
      <p className={`${parts.soft} ${styles.sources}`}>{saySources(angles)}</p>
    </>
  );
});

/** Who stands behind the bands of the angles; it comes with the seat and the place. */
function saySources(angles: readonly PostureAngle[]): string {
  const judged = angles.filter((a) => a.wanted !== null);
  const said = ANGLE_SOURCES.flatMap((source) => {
    const names = judged.filter((a) => a.source === source).map((a) => word(`angle.${a.id}`).toLowerCase());
    return names.length > 0 ? [`${names.join(', ')}: ${word(`angleSource.${source}`)}`] : [];
  });
  return word('set.bandsFrom').replace('{list}', said.join('; '));
}

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
