/** The next best settings, looked for when somebody asks: a way out where the best one does not suit the sitter. */
import { Suspense, lazy, memo, useState } from 'react';
import type { Problem, RemedySettings, Settings } from '../../core/fit';
import { usePart } from '../../drawing';
import { PanelBoundary } from '../../ui/PanelBoundary';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import type { Setting } from './use-setting';
import styles from './set.module.css';

const ChoiceList = lazy(() => import('./ChoiceList'));

/** What the choices were looked for with: once anything of it changes they no longer hold. */
export interface ChoicesInput {
  readonly problem: Problem;
  readonly remedies: RemedySettings;
  readonly held: Settings['positions'];
  /** The same as a text, to compare. */
  readonly key: string;
}

function askedOf({ problem, store }: Setting): ChoicesInput {
  const { remedies } = store.get();
  const { held } = store;
  return { problem, remedies, held, key: JSON.stringify([remedies, held]) };
}

export const Choices = memo(function Choices({
  setting,
  disabled,
}: {
  readonly setting: Setting;
  readonly disabled: boolean;
}) {
  const [asked, setAsked] = useState<ChoicesInput | null>(null);
  const key = usePart(setting.store, () => askedOf(setting).key);
  const isCurrent = asked?.problem === setting.problem && asked.key === key;
  return (
    <section className={styles.choices} aria-label={word('set.choices')}>
      <h3>
        {word('set.choices')}{' '}
        <button
          type="button"
          className={parts.plainButton}
          aria-expanded={isCurrent}
          disabled={disabled}
          onClick={() => setAsked(isCurrent ? null : askedOf(setting))}
        >
          {word(isCurrent ? 'set.choices.hide' : 'set.choices.show')}
        </button>
      </h3>
      {isCurrent && (
        <PanelBoundary>
          <Suspense fallback={<p role="status">{word('set.choices.looking')}</p>}>
            <ChoiceList asked={asked} setting={setting} disabled={disabled} />
          </Suspense>
        </PanelBoundary>
      )}
    </section>
  );
});
