/** Every session in which somebody was measured: who, when, with what; a value over time, and two sessions side by side. */
import '../../words/pages';
import { NativeSelect } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { DIMENSIONS, DIMENSION_IDS, type DimensionId } from '../../core/body';
import { INSTRUMENTS } from '../../core/measuring';
import type { MeasuringSession, SitterDetail, Taken } from '../../contract';
import { api } from '../../ui/client';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayDate, sayWith, t, word, type Reading } from '../../words';
import styles from './people.module.css';
import { sayMeasure, typed, unitOf } from '../shared/measures/use-measures';

/** To the tenth: of two rounded values the difference would not seem to be theirs. */
const exactly = (id: DimensionId, value: number, reading: Reading): string =>
  `${typed(id, Math.round(value * 10) / 10, reading)} ${unitOf(id, reading)}`;

const keyOf = (session: MeasuringSession, index: number): string => session.id ?? `day-${index}`;

function sayInstruments(taken: readonly Taken[]): string {
  const used = [...new Set(taken.flatMap(({ instrument }) => instrument ?? []))];
  return used
    .map((id) => word(`instrument.${id}`) + (INSTRUMENTS[id].isSimulated ? word('instrument.simulated') : ''))
    .join(', ');
}

function Session({ session }: { readonly session: MeasuringSession }) {
  const reading = useReading();
  const { date, takenBy, shoesOn, clothes, notes, taken } = session;
  const about = [takenBy, sayInstruments(taken), shoesOn ? word('tour.shoesOn') : '', clothes, notes].filter(
    Boolean,
  );
  return (
    <li>
      <details>
        <summary>
          <strong>{sayDate(date, reading)}</strong> {about.join(' · ')}{' '}
          <span className={parts.soft}>{sayWith('history.count', { n: taken.length })}</span>
        </summary>
        <ul>
          {taken.map((one) => (
            <li key={`${one.dimension} ${one.takenAt}`}>
              {word(`dimension.${one.dimension}`)} {sayMeasure(one.dimension, one.value, reading)}
              {one.takes && one.takes.length > 1 && (
                <span className={parts.soft}>
                  {' '}
                  ({one.takes.map((take) => sayMeasure(one.dimension, take, reading)).join(' · ')})
                </span>
              )}
              {!one.isCurrent && <span className={parts.soft}> {word('history.earlier')}</span>}
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}

/** A dimension as every session has it, oldest first. */
const valuesOf = (sessions: readonly MeasuringSession[], id: DimensionId): Taken[] =>
  sessions
    .flatMap(({ taken }) => taken.filter((t) => t.dimension === id))
    .sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));

function OverTime({
  sessions,
  reading,
}: {
  readonly sessions: readonly MeasuringSession[];
  readonly reading: Reading;
}) {
  const offered = DIMENSION_IDS.filter((id) => valuesOf(sessions, id).length > 0);
  // What was measured most often tells most.
  const often = offered.reduce((a, b) =>
    valuesOf(sessions, b).length > valuesOf(sessions, a).length ? b : a,
  );
  const [id, setId] = useState<DimensionId>(often);
  const canvas = useRef<HTMLCanvasElement>(null);
  const values = valuesOf(sessions, id);
  useEffect(() => {
    let stop = (): void => undefined;
    let isWanted = true;
    void import('./history-chart').then(({ drawHistory }) => {
      if (!isWanted || !canvas.current) return;
      const chart = drawHistory(canvas.current, {
        points: valuesOf(sessions, id).map((t) => ({ x: Date.parse(t.takenAt), y: t.value })),
        title: `${word(`dimension.${id}`)}, ${unitOf(id, reading)}`,
        sayTime: (ms) => sayDate(new Date(ms).toISOString(), reading),
        sayValue: (value) => typed(id, value, reading),
      });
      stop = () => chart.destroy();
    });
    return () => {
      isWanted = false;
      stop();
    };
  }, [sessions, id, reading]);
  const said = values
    .map((t) => `${sayDate(t.takenAt, reading)}: ${sayMeasure(id, t.value, reading)}`)
    .join('; ');
  return (
    <div>
      <NativeSelect
        label={word('history.dimension')}
        value={id}
        onChange={(e) => setId(e.currentTarget.value as DimensionId)}
        data={offered.map((one) => ({ value: one, label: word(`dimension.${one}`) }))}
        maw="20rem"
      />
      <div className={styles.chart}>
        <canvas ref={canvas} role="img" aria-label={said} />
      </div>
    </div>
  );
}

function Compared({
  sessions,
  reading,
}: {
  readonly sessions: readonly MeasuringSession[];
  readonly reading: Reading;
}) {
  const [[newer, older], setPair] = useState<readonly [number, number]>([0, 1]);
  const of = (index: number, id: DimensionId) => sessions[index]?.taken.findLast((t) => t.dimension === id);
  const rows = DIMENSION_IDS.flatMap((id) => {
    const [a, b] = [of(older, id), of(newer, id)];
    return a && b ? [{ id, a, b, by: b.value - a.value }] : [];
  });
  const choose = (name: string, value: number, put: (index: number) => void) => (
    <NativeSelect
      label={t(name)}
      value={String(value)}
      onChange={(e) => put(Number(e.currentTarget.value))}
      data={sessions.map((s, i) => ({
        value: String(i),
        label: `${sayDate(s.date, reading)}${s.takenBy ? `, ${s.takenBy}` : ''} (${i + 1})`,
      }))}
    />
  );
  return (
    <section className={styles.compared} aria-label={word('history.compare')}>
      <h3>{word('history.compare')}</h3>
      <div className={styles.acts}>
        {choose('history.one', older, (index) => setPair([newer, index]))}
        {choose('history.other', newer, (index) => setPair([index, older]))}
      </div>
      {rows.length === 0 ? (
        <p className={parts.soft}>{word('history.nothing')}</p>
      ) : (
        <table className={parts.table}>
          <thead>
            <tr>
              {(['measure', 'one', 'other', 'by'] as const).map((head) => (
                <th key={head} scope="col">
                  {word(`history.${head}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id, a, b, by }) => (
              <tr key={id}>
                <th scope="row">{word(`dimension.${id}`)}</th>
                <td>{exactly(id, a.value, reading)}</td>
                <td>{exactly(id, b.value, reading)}</td>
                <td>
                  {by > 0 ? '+' : by < 0 ? '−' : ''}
                  {exactly(id, Math.abs(by), reading)}
                  {Math.abs(by) > DIMENSIONS[id].repeatTolerance && ` ${word('history.more')}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

export function History({ sitter }: { readonly sitter: SitterDetail }) {
  const reading = useReading();
  const [isOpen, setIsOpen] = useState(false);
  const found = useQuery({
    queryKey: ['measuring-sessions', sitter.id, sitter.version],
    queryFn: () => api.measuringSessions(sitter.id),
    enabled: isOpen,
  });
  const sessions = found.data?.filter((s) => s.taken.length > 0) ?? [];
  return (
    <details className={styles.standing} onToggle={(e) => setIsOpen(e.currentTarget.open)}>
      <summary>{word('history.title')}</summary>
      {found.isPending && <p role="status">{word('history.loading')}</p>}
      {found.isError && <p role="alert">{word('history.failed')}</p>}
      {found.data && sessions.length === 0 && <p className={parts.soft}>{word('history.none')}</p>}
      {sessions.length > 0 && (
        <>
          <ol className={styles.sessions}>
            {sessions.map((session, i) => (
              <Session key={keyOf(session, i)} session={session} />
            ))}
          </ol>
          <OverTime sessions={sessions} reading={reading} />
          {sessions.length > 1 && <Compared sessions={sessions} reading={reading} />}
        </>
      )}
    </details>
  );
}
