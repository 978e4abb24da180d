import { Button, TextInput, Textarea, type InputWrapperProps } from '@mantine/core';
import { useState } from 'react';
import type { MethodSummary } from '../../contract';
import { orderIdOf, type Method } from '../../core/method';
import { api, explain } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import { InlineSelect } from '../../ui/InlineSelect';
import { useReading, type PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayDate, sayMethod, sayMethodAbout, sayStep, sayWith, t, word } from '../../words';
import { REPORTED, targetIn } from './method-text';
import { MethodStepsForm } from './MethodStepsForm';
import { MethodWaysForm, sayFingers } from './MethodWaysForm';
import { PracticeNav } from './PracticeNav';
import { TargetTable } from './TargetTable';
import { useMethodForm, type MethodForm } from './use-method-form';
import styles from './practice.module.css';

/** What there is to know of a method beside its numbers. */
function About({ method }: { readonly method: Method }) {
  const order = orderIdOf(method.order);
  const { fingers, reported, again } = method;
  const kinds = (list: Method['order']) => list.map((kind) => word(`kind.${kind}`).toLowerCase()).join(', ');
  const facts: readonly (readonly [string, string])[] = [
    [
      'methods.order',
      `${word(`order.${order ?? 'own'}`)}: ${kinds(method.order.slice(0, ORDER_SHOWN))} … ${
        again ? sayWith('methods.again', { list: kinds(again) }) : ''
      }`,
    ],
    ['methods.ties', method.tieBreaks.map((rule) => word(`tieBreak.${rule}`)).join(', ')],
    ['methods.arms', word(`armsTo.${method.armsTo ?? 'elbow'}`)],
    ['methods.lock', word(`lockUse.${method.lock ?? 'shortWork'}`)],
    ['methods.neutralStart', word(`neutralStart.${method.neutralStart ?? 'liftToTop'}`)],
    ...(method.screen ? [['methods.screen', word(`screenWay.${method.screen}`)] as const] : []),
    ...(fingers
      ? [
          [
            'methods.fingers',
            sayWith('methods.fingers.of', {
              fingers: sayFingers(fingers),
              whose: word(`handOf.${fingers.whose}`),
            }),
          ] as const,
        ]
      : []),
    [
      'methods.reported',
      REPORTED.map((id) => `${word(`angle.${id}`)} ${reported[id].lo}–${reported[id].hi}°`).join(', '),
    ],
    ['methods.headRestFrom', `${method.headRestFromDeg}° (${word('basis.practice')})`],
    ['methods.footrestPenalty', `${method.footrestPenalty} (${word('basis.assumed')})`],
    ...(['raisesKnee', 'orLevel', 'perches'] as const)
      .filter((key) => method[key])
      .map((key) => ['methods.thigh', word(`methods.${key}`)] as const),
  ];
  return (
    <>
      <dl className={styles.facts}>
        {facts.map(([name, value]) => (
          <div key={name}>
            <dt>{t(name)}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {method.cautions?.map((caution) => (
        <p key={caution} className={styles.caution}>
          {word(`caution.method.${caution}`)}
        </p>
      ))}
      {method.steps && (
        <>
          <h2>{word('steps.title')}</h2>
          <ol>
            {method.steps
              .map((step, i) => ({ ...step, ...sayStep(method, i, step) }))
              .map((step) => (
                <li key={step.name}>
                  <strong>{step.name}.</strong> {step.instruct}
                </li>
              ))}
          </ol>
        </>
      )}
    </>
  );
}
/** So many of the adjustments tell an order. */
const ORDER_SHOWN = 12;

/** Who stands behind a number is said below it. */
const BASIS_BELOW: NonNullable<InputWrapperProps['inputWrapperOrder']> = [
  'label',
  'input',
  'description',
  'error',
];

function Fields({ form }: { readonly form: MethodForm }) {
  const { text, put, faults } = form;
  return (
    <div className={styles.fields}>
      <TextInput
        label={word('methods.name')}
        value={text.name}
        maxLength={120}
        error={faults.name}
        onChange={(e) => put({ name: e.currentTarget.value })}
      />
      <Textarea
        label={word('methods.summary')}
        value={text.summary}
        maxLength={500}
        autosize
        onChange={(e) => put({ summary: e.currentTarget.value })}
      />
      <TextInput
        label={word('methods.headRestFrom')}
        description={word('basis.practice')}
        inputWrapperOrder={BASIS_BELOW}
        value={text.headRestFrom}
        error={faults.headRestFromDeg}
        onChange={(e) => put({ headRestFrom: e.currentTarget.value })}
      />
      <TextInput
        label={word('methods.footrestPenalty')}
        description={word('basis.assumed')}
        inputWrapperOrder={BASIS_BELOW}
        value={text.footrestPenalty}
        error={faults.footrestPenalty}
        onChange={(e) => put({ footrestPenalty: e.currentTarget.value })}
      />
    </div>
  );
}

/** Somebody else saved a version while this one was edited: mine goes on top of it, or is let go. */
function Meanwhile({ form }: { readonly form: MethodForm }) {
  const { theirs } = form;
  if (!theirs) return null;
  return (
    <div className={parts.notice} data-tone="misfit" role="alert">
      <span>{sayWith('methods.meanwhile', { n: theirs.version })}</span>
      <button type="button" className={parts.plainButton} onClick={() => void form.save(theirs.version)}>
        {word('methods.meanwhile.mine')}
      </button>
      <button
        type="button"
        className={parts.plainButton}
        onClick={() => {
          form.reset();
          window.location.reload();
        }}
      >
        {word('methods.meanwhile.theirs')}
      </button>
    </div>
  );
}

function OwnMethod({
  newest,
  onSaved,
}: {
  readonly newest: MethodSummary;
  readonly onSaved: (saved: MethodSummary) => void;
}) {
  const reading = useReading();
  const form = useMethodForm(newest, reading, onSaved);
  const isFaulty = Object.keys(form.faults).length > 0;
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void form.save();
      }}
    >
      <Meanwhile form={form} />
      <Fields form={form} />
      <MethodWaysForm form={form} />
      <MethodStepsForm form={form} />
      <h2 className={styles.part}>{word('methods.targets')}</h2>
      <TargetTable targetAt={(id) => targetIn(newest.method, id)} form={form.targets} />
      <div className={styles.save}>
        <Button type="submit" disabled={!form.isChanged || isFaulty || form.isSaving}>
          {sayWith('methods.save', { n: newest.version + 1 })}
        </Button>
        <button type="button" className={parts.plainButton} disabled={!form.isChanged} onClick={form.reset}>
          {word('methods.reset')}
        </button>
        {isFaulty && <span className={styles.faults}>{word('methods.faulty')}</span>}
        {form.fault && <span role="alert">{form.fault}</span>}
      </div>
    </form>
  );
}

function Versions({
  versions,
  shown,
  onShow,
}: {
  readonly versions: readonly MethodSummary[];
  readonly shown: MethodSummary;
  readonly onShow: (version: MethodSummary) => void;
}) {
  const reading = useReading();
  if (versions.length < 2) return null;
  return (
    <InlineSelect
      label={word('methods.version')}
      value={String(shown.version)}
      onChange={(e) => onShow(versions.find((v) => v.version === Number(e.currentTarget.value)) ?? shown)}
      data={versions.map((v) => ({
        value: String(v.version),
        label: sayWith('methods.version.n', { n: v.version, date: sayDate(v.savedAt, reading) }),
      }))}
    />
  );
}

function MethodScreen({ initial }: { readonly initial: readonly MethodSummary[] }) {
  const [versions, setVersions] = useState(initial);
  const [shown, setShown] = useState(initial[0]!);
  const [said, setSaid] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const newest = versions[0]!;
  const isNewest = shown.version === newest.version;
  const onSaved = (saved: MethodSummary) => {
    setVersions([saved, ...versions]);
    setShown(saved);
    setFault(null);
    setSaid(sayWith('methods.saved', { n: saved.version }));
  };
  const attempt = async (act: () => Promise<void>) => {
    try {
      await act();
    } catch (error) {
      setFault(explain(error));
    }
  };
  const copy = () =>
    attempt(async () => {
      const name = sayWith('methods.copyOf', { name: sayMethod(shown.method) }).slice(0, 120);
      const made = await api.createMethod({
        ...shown.method,
        id: newId(),
        name,
        copiedFrom: shown.method.id,
      });
      window.location.href = `/practice/methods/${made.method.id}`;
    });
  const takeBack = () => attempt(async () => onSaved(await api.editMethod(shown.method, newest.version)));
  return (
    <>
      <div className={parts.head}>
        <h1>{sayMethod(shown.method)}</h1>
        <Versions versions={versions} shown={shown} onShow={setShown} />
        <Button variant="default" onClick={() => void copy()}>
          {word('methods.copy')}
        </Button>
      </div>
      {said && (
        <p role="status" className={parts.soft}>
          {said}
        </p>
      )}
      {fault && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          {fault}
        </div>
      )}
      {newest.isOwn && isNewest ? (
        <OwnMethod key={newest.version} newest={newest} onSaved={onSaved} />
      ) : (
        <>
          <p className={styles.about}>{sayMethodAbout(shown.method)}</p>
          {newest.isOwn ? (
            <p>
              <button type="button" className={parts.plainButton} onClick={() => void takeBack()}>
                {sayWith('methods.takeBack', { n: shown.version })}
              </button>
            </p>
          ) : (
            <p className={parts.soft}>{word('methods.shipped.hint')}</p>
          )}
          <About method={shown.method} />
          <TargetTable targetAt={(id) => targetIn(shown.method, id)} form={null} />
        </>
      )}
    </>
  );
}

export default function MethodPage({
  page,
  versions,
}: {
  readonly page: PageProps;
  readonly versions: readonly MethodSummary[];
}) {
  return (
    <Frame page={page} area="practice">
      <PracticeNav page="methods" />
      <MethodScreen initial={versions} />
    </Frame>
  );
}
