/** What stands around the tracks: angles, checks of the seat as a whole, remedies. */
import { memo, useRef } from 'react';
import { ANGLE_SOURCES, type Assessment, type PostureAngle } from '../../core/fit';
import { usePaint, usePart, writeText } from '../../drawing';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { VerdictGlyph, VerdictMark } from '../../ui/VerdictMark';
import { sayValue, sayWith, word, type Reading } from '../../words';
import type { Live } from './live';
import styles from './set.module.css';

/** A remedy can take away what an angle is told by: until it is gone from the screen it is not known. */
const angleOf = (
  a: Assessment,
  id: PostureAngle['id'],
): Pick<PostureAngle, 'deg' | 'wanted' | 'inside' | 'isEstimate'> =>
  a.angles.find((x) => x.id === id) ?? { deg: null, wanted: null, inside: true, isEstimate: false };

function sayAngle({ deg, isEstimate }: Pick<PostureAngle, 'deg' | 'isEstimate'>, reading: Reading): string {
  if (deg === null) return word('measure.missing');
  const said = sayValue({ deg }, reading);
  return isEstimate ? sayWith('set.about', { value: said }) : said;
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
            {sayWith('set.wanted', {
              lo: sayValue({ deg: wanted.lo }, reading),
              hi: sayValue({ deg: wanted.hi }, reading),
            })}
          </span>
        )}
      </dd>
    </div>
  );
}

const anglesIn = (a: Assessment): string => a.angles.map(({ id }) => id).join(' ');

/** The angles of the posture; which of them can be told comes with the measures. */
export const Angles = memo(function Angles({ live }: { readonly live: Live }) {
  const ids = usePart(live, anglesIn).split(' ') as PostureAngle['id'][];
  return (
    <>
      <dl className={styles.angles} aria-label={word('set.angles')}>
        {ids.map((id) => (
          <Angle key={id} id={id} live={live} />
        ))}
      </dl>
      <p className={`${parts.soft} ${styles.sources}`}>{saySources(live.get().angles)}</p>
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
  return sayWith('set.bandsFrom', { list: said.join('; ') });
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
