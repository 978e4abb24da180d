import '../../words/pages';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { PIECE_FAULTS, type PieceFaultKind } from '../../contract/pieces';
import type { SeatModel } from '../../core/seat';
import { api, explain } from '../../ui/client';
import { Providers } from '../../ui/Providers';
import parts from '../../ui/parts.module.css';
import { sayWith, word, type Reading } from '../../words';
import { ControlSheet } from '../shared/controls/ControlSheet';
import styles from './label.module.css';

const MOST_NOTE = 300;

/** What is wrong, from whoever sits on it. */
function Report({ token }: { readonly token: string }) {
  const [kind, setKind] = useState<PieceFaultKind | ''>('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [isSent, setSent] = useState(false);
  const send = async (event: SubmitEvent) => {
    event.preventDefault();
    if (kind === '') return setProblem(word('label.report.choose'));
    setBusy(true);
    try {
      await api.reportByLabel(token, { kind, note: note.trim() });
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
      <NativeSelect
        label={word('label.report.kind')}
        value={kind}
        onChange={(e) => setKind(e.currentTarget.value as PieceFaultKind | '')}
        error={problem}
        data={[
          { value: '', label: '–' },
          ...PIECE_FAULTS.map((one) => ({ value: one, label: word(`pieces.fault.${one}`) })),
        ]}
      />
      <TextInput
        label={word('pieces.fault.note')}
        description={word('label.report.hint')}
        value={note}
        onChange={(e) => setNote(e.currentTarget.value)}
        maxLength={MOST_NOTE}
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
