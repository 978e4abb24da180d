import '../../words/pages';
import { Button, InputBase } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { PIECE_FAULTS } from '../../contract/piece-lists';
import type { SeatModel } from '../../core/seat';
import { explain } from '../../ui/client';
import { fieldText } from '../../ui/form';
import { piecesApi } from '../../ui/pieces-client';
import { Providers } from '../../ui/Providers';
import parts from '../../ui/parts.module.css';
import { sayWith, word, type Reading } from '../../words';
import { ControlSheet } from '../shared/controls/ControlSheet';
import styles from './label.module.css';

const MOST_NOTE = 300;

/** What is wrong, from whoever sits on it. */
function Report({ token }: { readonly token: string }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [isSent, setSent] = useState(false);
  const send = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const given = new FormData(event.currentTarget);
    const kind = PIECE_FAULTS.find((one) => one === fieldText(given, 'kind'));
    if (!kind) return setProblem(word('label.report.choose'));
    setBusy(true);
    try {
      await piecesApi.reportByLabel(token, { kind, note: fieldText(given, 'note').trim() });
      setSent(true);
    } catch (error) {
      setProblem(explain(error));
    } finally {
      setBusy(false);
    }
  };
  if (isSent)
    return (
      <p role="status" className={parts.notice}>
        {word('label.report.thanks')}
      </p>
    );
  return (
    <form onSubmit={(e) => void send(e)} noValidate className={styles.report}>
      <h2>{word('label.report')}</h2>
      <p>{word('label.report.danger')}</p>
      <label className={styles.choice}>
        {word('label.report.kind')}
        <select name="kind" defaultValue="" aria-invalid={problem !== null}>
          <option value="">–</option>
          {PIECE_FAULTS.map((one) => (
            <option key={one} value={one}>
              {word(`pieces.fault.${one}`)}
            </option>
          ))}
        </select>
      </label>
      {problem && <p role="alert">{problem}</p>}
      <InputBase
        name="note"
        label={word('pieces.fault.note')}
        description={word('label.report.hint')}
        maxLength={MOST_NOTE}
        autoComplete="off"
      />
      <Button type="submit" loading={busy}>
        {word('label.report.send')}
      </Button>
    </form>
  );
}

interface Props {
  readonly reading: Reading;
  readonly token: string;
  readonly tag: string;
  readonly seat: SeatModel;
  readonly doNotUse: boolean;
  /** Of the record, for whoever works here; null for everybody else. */
  readonly record: string | null;
}

/** What the label on a seat leads to: its controls, and a word to those who look after it. Nothing else. */
export default function LabelPage({ reading, token, tag, seat, doNotUse, record }: Props) {
  return (
    <Providers reading={reading}>
      <main className={styles.page}>
        <h1>{sayWith('label.title', { tag, seat: seat.name })}</h1>
        {doNotUse && (
          <div className={styles.stop} role="note">
            <strong>{word('label.stop')}</strong>
            <span>{word('label.stop.why')}</span>
          </div>
        )}
        <p className={styles.links}>
          <a href="#report">{word('label.report')}</a>
          <a href={`/api/v1/labels/${token}/controls.pdf?units=${reading.length}`}>{word('controls.pdf')}</a>
          {record && <a href={record}>{word('label.record')}</a>}
        </p>
        <ControlSheet seat={seat} />
        <section id="report" aria-label={word('label.report')}>
          <Report token={token} />
        </section>
      </main>
    </Providers>
  );
}
