import { memo } from 'react';
import { inputsOfStep, problemOf, solve } from '../../core/fit';
import parts from '../../ui/parts.module.css';
import { sayStep, word } from '../../words';
import type { Setting } from './use-setting';
import styles from './set.module.css';

/** Of a method that goes by steps: what to do in each, and the settings that go with it. */
export const Steps = memo(function Steps({
  setting: { problem, store },
  disabled,
}: {
  readonly setting: Setting;
  readonly disabled: boolean;
}) {
  const { steps } = problem.inputs.method;
  if (!steps) return null;
  const set = (number: number) => {
    const { remedies } = store.get();
    const step = problemOf(inputsOfStep(problem.inputs, number));
    store.set(solve(step, { remedies, held: store.held }).settings);
  };
  return (
    <section className={styles.choices} aria-label={word('steps.title')}>
      <h3>{word('steps.title')}</h3>
      <ol>
        {steps
          .map((typed, i) => ({ ...typed, ...sayStep(problem.inputs.method, i, typed) }))
          .map((step, i) => (
            <li key={step.name}>
              <p>
                <strong>{step.name}.</strong> {step.instruct}
              </p>
              {step.judgeOnly ? (
                <p className={parts.soft}>{word('steps.judge')}</p>
              ) : (
                <button
                  type="button"
                  className={parts.plainButton}
                  disabled={disabled}
                  aria-label={`${word('steps.set')}: ${step.name}`}
                  onClick={() => set(i)}
                >
                  {word('steps.set')}
                </button>
              )}
            </li>
          ))}
      </ol>
    </section>
  );
});
