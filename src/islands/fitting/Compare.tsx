/** The same fitting after another method, side by side. */
import { Suspense, lazy, memo, useState } from 'react';
import type { MethodSummary } from '../../contract';
import { usePart } from '../../drawing';
import { InlineSelect } from '../../ui/InlineSelect';
import { sayMethod, word } from '../../words';
import type { Setting } from './use-setting';
import styles from './set.module.css';

const ComparisonPanel = lazy(() => import('./ComparisonPanel'));

export const Compare = memo(function Compare({
  setting,
  methods,
  disabled,
  onChoose,
}: {
  readonly setting: Setting;
  readonly methods: readonly MethodSummary[];
  readonly disabled: boolean;
  readonly onChoose: (methodVersionId: string) => void;
}) {
  const [id, setId] = useState('');
  const remedies = usePart(setting.store, () => JSON.stringify(setting.store.get().remedies));
  const others = methods.filter((m) => m.method.id !== setting.problem.inputs.method.id);
  const other = others.find((m) => m.method.id === id) ?? null;
  return (
    <section className={styles.choices} aria-label={word('compare.title')}>
      <h3>{word('compare.title')}</h3>
      <InlineSelect
        label={word('compare.with')}
        value={id}
        onChange={(e) => setId(e.currentTarget.value)}
        data={[
          { value: '', label: word('compare.none') },
          ...others.map(({ method }) => ({ value: method.id, label: sayMethod(method) })),
        ]}
      />
      {other && (
        <Suspense fallback={<p role="status">{word('compare.computing')}</p>}>
          <ComparisonPanel
            setting={setting}
            other={other}
            remedies={remedies}
            disabled={disabled}
            onChoose={onChoose}
          />
        </Suspense>
      )}
    </section>
  );
});
