/** What can be done where a seat cannot: applied at once, and removed again. */
import { memo, useState } from 'react';
import {
  REMEDY_IDS,
  closedBySetting,
  sizeInUse,
  type Remedy,
  type RemedyId,
  type RemedySettings,
  type ConditionId,
} from '../../core/fit';
import { usePart } from '../../drawing';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayWith, t, word } from '../../words';
import { sayRemedy } from './say-remedy';
import { useHolds } from './use-holds';
import type { FoundRemedies } from './use-remedies';
import type { Setting } from './use-setting';
import styles from './set.module.css';

/** So many are shown at first. */
const FIRST = 3;
const MOST_EFFECTS = 4;

const names = (ids: readonly ConditionId[]): string =>
  [...new Set(ids.map((id) => word(`condition.${id}`)))].join(', ');

interface ActProps {
  readonly disabled: boolean;
  readonly onUse: (remedies: RemedySettings) => void;
}

function InUse({
  id,
  sizeMm,
  inUse,
  disabled,
  onUse,
}: ActProps & {
  readonly id: RemedyId;
  readonly sizeMm: number;
  readonly inUse: RemedySettings;
}) {
  const reading = useReading();
  return (
    <p>
      <strong>{sayRemedy(id, sizeMm, reading)}</strong> ({word('set.remedy.inUse')}){' '}
      <button
        type="button"
        className={parts.plainButton}
        disabled={disabled}
        onClick={() => onUse({ ...inUse, [id]: 0 })}
      >
        {word('set.remedy.drop')}
      </button>
    </p>
  );
}

function Offered({ remedy, disabled, onUse }: ActProps & { readonly remedy: Remedy }) {
  const reading = useReading();
  const say = useSay();
  const effects = remedy.effects.filter(({ turn }) => turn !== 'closed').slice(0, MOST_EFFECTS);
  return (
    <li>
      <details>
        <summary>
          <strong>{remedy.parts.map(({ id, sizeMm }) => sayRemedy(id, sizeMm, reading)).join(' + ')}</strong>,{' '}
          {t(`remedy.cost.${remedy.cost}`)}
        </summary>
        <p>{remedy.arithmetic.map(say).join(' ')}</p>
        {effects.length > 0 && (
          <p className={parts.soft}>
            {word('remedy.effects')} {effects.map(({ words }) => say(words)).join('; ')}.
          </p>
        )}
      </details>
      <button
        type="button"
        className={parts.plainButton}
        disabled={disabled}
        onClick={() => onUse(remedy.settings.remedies)}
      >
        {word('set.remedy.use')}
      </button>
      <p className={parts.soft}>
        {sayWith('remedy.closes', { list: names(remedy.closes) })}{' '}
        {remedy.leaves.length > 0 && `${sayWith('remedy.leaves', { list: names(remedy.leaves) })} `}
        {remedy.opens.length > 0 && sayWith('remedy.opens', { list: names(remedy.opens) })}
      </p>
    </li>
  );
}

interface Props {
  readonly setting: Setting;
  readonly found: FoundRemedies;
  readonly disabled: boolean;
  readonly onUse: (remedies?: RemedySettings) => void;
  readonly onSeats: () => void;
}

export const RemediesPanel = memo(function RemediesPanel({
  setting,
  found: { remedies, isDone },
  disabled,
  onUse,
  onSeats,
}: Props) {
  const { live, store } = setting;
  const [all, setAll] = useState(false);
  const assessment = usePart(live.atRest, (a) => a);
  const { settings } = assessment;
  const used = REMEDY_IDS.filter((id) => sizeInUse(settings.remedies, id) !== 0);
  const free = remedies ? closedBySetting(assessment, remedies) : [];
  const holds = useHolds(setting, assessment, free);
  const offered = remedies?.offered ?? [];
  const other = remedies?.otherSeat ?? null;
  const release = () => {
    for (const kind of holds) store.hold(kind, false);
    onUse();
  };
  const isLooking = !isDone && remedies !== null && remedies.shortfalls.length > 0;
  if (used.length + free.length + offered.length === 0 && !other && !isLooking) return null;
  const shown = all ? offered : offered.slice(0, FIRST);
  return (
    <section className={styles.remedies} aria-label={word('set.remedies')} aria-busy={isLooking}>
      <h3>{word('set.remedies')}</h3>
      {used.map((id) => (
        <InUse
          key={id}
          id={id}
          sizeMm={sizeInUse(settings.remedies, id)}
          inUse={settings.remedies}
          disabled={disabled}
          onUse={onUse}
        />
      ))}
      {holds.length > 0 && (
        <p>
          {sayWith(holds.length > 1 ? 'remedy.held.many' : 'remedy.held', {
            list: holds.map((kind) => word(`kind.${kind}`).toLowerCase()).join(', '),
            conditions: names(free),
          })}{' '}
          <button type="button" className={parts.plainButton} disabled={disabled} onClick={release}>
            {word('remedy.held.release')}
          </button>
        </p>
      )}
      {free.length > 0 && holds.length === 0 && (
        <p>
          {sayWith('remedy.none', { list: names(free) })}{' '}
          <button type="button" className={parts.plainButton} disabled={disabled} onClick={() => onUse()}>
            {word('remedy.none.use')}
          </button>
        </p>
      )}
      {shown.length > 0 && (
        <ul>
          {shown.map((remedy) => (
            <Offered
              key={remedy.parts.map(({ id, sizeMm }) => id + sizeMm).join()}
              remedy={remedy}
              disabled={disabled}
              onUse={onUse}
            />
          ))}
        </ul>
      )}
      {isLooking && (
        <p className={parts.soft} role="status">
          {word('remedy.looking')}
        </p>
      )}
      {offered.length > FIRST && (
        <button type="button" className={parts.plainButton} aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? word('remedy.fewer') : sayWith('remedy.more', { n: offered.length - FIRST })}
        </button>
      )}
      {other && (
        <p>
          <strong>{word('remedy.cost.anotherSeat')}</strong>:{' '}
          {sayWith('remedy.other', { name: other.seat.name })}{' '}
          <button type="button" className={parts.plainButton} onClick={onSeats}>
            {word('remedy.other.show')}
          </button>
        </p>
      )}
    </section>
  );
});
