/** The steps of a method that goes by steps, while they are changed. */
import { NativeSelect, TextInput, Textarea } from '@mantine/core';
import { MOST_STEPS } from '../../core/method';
import parts from '../../ui/parts.module.css';
import { sayWith, word } from '../../words';
import { AIMS_FROM, EMPTY_STEP, targetOfStep, type StepText } from './method-text';
import { TargetTable } from './TargetTable';
import type { MethodForm } from './use-method-form';
import styles from './practice.module.css';

const AIMS = ['feel', 'method', 'own'] as const;
type Aims = (typeof AIMS)[number];
const AS = 'as:';

const aimsOf = ({ judgeOnly, base }: StepText): Aims => (judgeOnly ? 'feel' : base ? 'own' : 'method');

/** What changes in a step when it is told anew what to aim at. */
function aimedAt(value: string, { text, read }: MethodForm, number: number): Partial<StepText> {
  if (value === 'feel') return { judgeOnly: true, base: null, targets: {} };
  if (value === 'method') return { judgeOnly: false, base: null, targets: {} };
  if (value === 'own') {
    const step = text.steps[number];
    return { judgeOnly: false, base: step?.base ?? read.targets };
  }
  const from = AIMS_FROM.find(({ id }) => value === AS + id);
  return { judgeOnly: false, base: from?.targets ?? null, targets: {} };
}

function Step({
  form,
  step,
  number,
  onMove,
  onRemove,
}: {
  readonly form: MethodForm;
  readonly step: StepText;
  readonly number: number;
  readonly onMove: (to: number) => void;
  readonly onRemove: () => void;
}) {
  const { base } = step;
  const title = sayWith('steps.n', { n: number + 1 });
  const targets = form.targetsOfStep(number);
  return (
    <li className={styles.panel} aria-label={title}>
      <div className={styles.choices}>
        <strong>{title}</strong>
        <span className={styles.acts}>
          <button
            type="button"
            className={parts.plainButton}
            aria-label={`${word('order.sooner')}: ${title}`}
            disabled={number === 0}
            onClick={() => onMove(number - 1)}
          >
            ↑
          </button>
          <button
            type="button"
            className={parts.plainButton}
            aria-label={`${word('order.later')}: ${title}`}
            disabled={number === form.text.steps.length - 1}
            onClick={() => onMove(number + 1)}
          >
            ↓
          </button>
          <button
            type="button"
            className={parts.plainButton}
            aria-label={`${word('order.remove')}: ${title}`}
            onClick={onRemove}
          >
            ×
          </button>
        </span>
      </div>
      <TextInput
        label={word('steps.name')}
        value={step.name}
        maxLength={120}
        error={form.faults[`steps/${number}/name`]}
        onChange={(e) => form.putStep(number, { name: e.currentTarget.value })}
      />
      <NativeSelect
        label={word('steps.aims')}
        value={aimsOf(step)}
        data={[
          ...AIMS.map((aims) => ({ value: aims, label: word(`steps.aims.${aims}`) })),
          ...AIMS_FROM.map(({ id, name }) => ({
            value: AS + id,
            label: sayWith('steps.aims.as', { name }),
          })),
        ]}
        onChange={(e) => form.putStep(number, aimedAt(e.currentTarget.value, form, number))}
      />
      <Textarea
        label={word('steps.instruct')}
        value={step.instruct}
        maxLength={500}
        autosize
        onChange={(e) => form.putStep(number, { instruct: e.currentTarget.value })}
      />
      {base && !step.judgeOnly && (
        <details open={Object.keys(step.targets).length > 0}>
          <summary>{word('steps.aims.open')}</summary>
          <TargetTable targetAt={(id) => targetOfStep(form.read, base, id)} form={targets} isStep />
        </details>
      )}
    </li>
  );
}

export function MethodStepsForm({ form }: { readonly form: MethodForm }) {
  const { steps } = form.text;
  const put = (next: readonly StepText[]) => form.put({ steps: next });
  const move = (from: number, to: number) => {
    const next = steps.filter((_, i) => i !== from);
    next.splice(to, 0, steps[from]!);
    put(next);
  };
  return (
    <section className={styles.part} aria-label={word('steps.title')}>
      <h2>{word('steps.title')}</h2>
      {steps.length === 0 && <p className={parts.soft}>{word('steps.none')}</p>}
      <ol className={styles.steps}>
        {steps.map((step, i) => (
          <Step
            key={i}
            form={form}
            step={step}
            number={i}
            onMove={(to) => move(i, to)}
            onRemove={() => put(steps.filter((_, n) => n !== i))}
          />
        ))}
      </ol>
      <button
        type="button"
        className={parts.plainButton}
        disabled={steps.length >= MOST_STEPS}
        onClick={() => put([...steps, EMPTY_STEP])}
      >
        {word('steps.add')}
      </button>
    </section>
  );
}
