import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { HAND_LIMITS, type Fitter, type Hand, type OwnTolerances, type Repeated } from '../../contract';
import { formatLengthNumber } from '../../core/units';
import { Frame } from '../../ui/Frame';
import { api, currentOf, explain } from '../../ui/client';
import { ValueConflict } from '../../ui/ValueConflict';
import { WideTable } from '../../ui/WideTable';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { readBetween } from '../../ui/read-length';
import { word } from '../../words';
import { typed, unitOf } from '../shared/measures/use-measures';
import { PracticeNav } from './PracticeNav';
import { Tolerances } from './Tolerances';
import styles from './practice.module.css';

type FingersId = keyof Hand;
const FINGERS: readonly FingersId[] = ['threeFingersMm', 'fourFingersMm'];
const NO_HAND: Hand = { threeFingersMm: null, fourFingersMm: null };

/**
 * One breadth: kept when the field is left or Enter is pressed; what cannot be right stays in the field and says why.
 * Where somebody else has changed this breadth while it was edited, both are shown.
 */
function Breadth({
  fitter,
  id,
  onSaved,
}: {
  readonly fitter: Fitter;
  readonly id: FingersId;
  readonly onSaved: (fitter: Fitter) => void;
}) {
  const reading = useReading();
  const kept = fitter.hand?.[id] ?? null;
  const inField = (value: number | null) => (value === null ? '' : formatLengthNumber(value, reading.length));
  const [text, setText] = useState(inField(kept));
  const [fault, setFault] = useState<string | null>(null);
  const [conflict, setConflict] = useState<{ value: number | null; theirs: Fitter } | null>(null);
  const send = async (value: number | null, on: Fitter): Promise<void> => {
    try {
      onSaved(await api.saveHand(fitter.id, on.version, { ...(on.hand ?? NO_HAND), [id]: value }));
      setConflict(null);
    } catch (error) {
      const theirs = currentOf<Fitter>(error);
      if (!theirs || theirs.version === on.version) return setFault(explain(error));
      const saved = theirs.hand?.[id] ?? null;
      // Only the other breadth was changed at the same time, or to the same: nothing to decide.
      if (saved === kept) return send(value, theirs);
      onSaved(theirs);
      setConflict(saved === value ? null : { value, theirs });
    }
  };
  const save = async () => {
    const isEmpty = text.trim() === '';
    const read = readBetween(text, HAND_LIMITS[id], reading);
    if (!isEmpty && read.fault !== null) return setFault(read.fault);
    const value = isEmpty ? null : read.value;
    setFault(null);
    if (value !== kept && conflict === null) await send(value, fitter);
  };
  const said = (value: number | null) => (value === null ? '–' : `${inField(value)} ${reading.length}`);
  return (
    <>
      <TextInput
        aria-label={`${fitter.name}: ${word(`fitters.${id}`)}`}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
        onBlur={() => void save()}
        onKeyDown={(e) => e.key === 'Enter' && void save()}
        error={fault}
        inputMode="decimal"
        rightSection={<span className={parts.soft}>{reading.length}</span>}
      />
      {conflict && (
        <ValueConflict
          mine={said(conflict.value)}
          saved={said(conflict.theirs.hand?.[id] ?? null)}
          onKeepMine={() => void send(conflict.value, conflict.theirs)}
          onUseSaved={() => {
            setText(inField(conflict.theirs.hand?.[id] ?? null));
            setConflict(null);
          }}
        />
      )}
    </>
  );
}

/** Who fits here, and the hand that each slides behind a knee. */
function Fitters({ fitters: first }: { readonly fitters: readonly Fitter[] }) {
  const { length } = useReading();
  const [fitters, setFitters] = useState(first);
  const replace = (fitter: Fitter) => setFitters((all) => all.map((f) => (f.id === fitter.id ? fitter : f)));
  if (fitters.length === 0) return <p className={parts.soft}>{word('fitters.none')}</p>;
  return (
    <WideTable name={word('fitters.title')} className={styles.fitters}>
      <thead>
        <tr>
          <th scope="col">{word('fitters.name')}</th>
          {FINGERS.map((id) => (
            <th key={id} scope="col">
              {word(`fitters.${id}`)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {fitters.map((fitter) => (
          <tr key={fitter.id}>
            <th scope="row">{fitter.name}</th>
            {FINGERS.map((id) => (
              <td key={id}>
                <Breadth key={length} fitter={fitter} id={id} onSaved={replace} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </WideTable>
  );
}

/** How well each fitter's two readings agree, and what to practise. */
function Repeatability({ repeated }: { readonly repeated: readonly Repeated[] }) {
  const reading = useReading();
  if (repeated.length === 0) return <p className={parts.soft}>{word('repeat.none')}</p>;
  return (
    <div className={styles.rows}>
      <WideTable name={word('repeat.title')}>
        <thead>
          <tr>
            {(['fitter', 'dimension', 'tem', 'pairs', 'practise'] as const).map((head) => (
              <th key={head} scope="col">
                {word(`repeat.${head}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {repeated.map(({ fitter, dimension, pairs, tem, isToPractise }) => (
            <tr key={`${fitter} ${dimension}`}>
              <th scope="row">{fitter}</th>
              <td>{word(`dimension.${dimension}`)}</td>
              <td className={styles.together}>
                ± {typed(dimension, Math.round(tem * 10) / 10, reading)} {unitOf(dimension, reading)}
              </td>
              <td>{pairs}</td>
              <td>{isToPractise && word(`how.${dimension}`)}</td>
            </tr>
          ))}
        </tbody>
      </WideTable>
    </div>
  );
}

export default function FittersPage({
  page,
  fitters,
  repeated,
  tolerances,
}: {
  readonly page: PageProps;
  readonly fitters: readonly Fitter[];
  readonly repeated: readonly Repeated[];
  readonly tolerances: OwnTolerances;
}) {
  return (
    <Frame page={page} area="practice">
      <PracticeNav page="fitters" />
      <div className={parts.head}>
        <h1>{word('fitters.title')}</h1>
      </div>
      <p className={styles.about}>{word('fitters.about')}</p>
      <Fitters fitters={fitters} />
      <h2 className={styles.part}>{word('repeat.title')}</h2>
      <p className={styles.about}>{word('repeat.about')}</p>
      <Repeatability repeated={repeated} />
      <h2 className={styles.part}>{word('tolerance.title')}</h2>
      <p className={styles.about}>{word('tolerance.about')}</p>
      <Tolerances first={tolerances} />
    </Frame>
  );
}
