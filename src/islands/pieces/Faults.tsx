import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import type { PieceDetail, PieceFault, PieceFaultEdit } from '../../contract/pieces';
import { PIECE_FAULTS, type PieceFaultKind } from '../../contract/piece-lists';
import { explain } from '../../ui/client';
import { piecesApi } from '../../ui/pieces-client';
import { useReading } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayDate, sayWith, word } from '../../words';
import styles from './pieces.module.css';

interface Props {
  readonly piece: PieceDetail;
  readonly onChange: (piece: PieceDetail) => void;
}

const MOST_NOTE = 300;

function FaultRow({
  fault,
  put,
}: {
  readonly fault: PieceFault;
  readonly put: (edit: Omit<PieceFaultEdit, 'fault'>) => void;
}) {
  const reading = useReading();
  const { kind, note, doNotUse, reportedAt, reportedBy, mendedAt } = fault;
  const date = sayDate(reportedAt.slice(0, 10), reading);
  const isOpen = mendedAt === null;
  return (
    <li data-stops={(isOpen && doNotUse) || undefined}>
      <p>
        <strong>{word(`pieces.fault.${kind}`)}</strong>
        {note && `: ${note}`}{' '}
        {isOpen && doNotUse && <strong className={styles.stop}>{word('pieces.doNotUse')}</strong>}
      </p>
      <p className={parts.soft}>
        {reportedBy === null
          ? sayWith('pieces.fault.byLabel', { date })
          : sayWith('pieces.fault.reported', { date, name: reportedBy })}
        {mendedAt !== null &&
          `. ${sayWith('pieces.fault.mended', { date: sayDate(mendedAt.slice(0, 10), reading) })}`}
      </p>
      {isOpen ? (
        <div className={styles.acts}>
          <button type="button" className={parts.plainButton} onClick={() => put({ doNotUse: !doNotUse })}>
            {word(doNotUse ? 'pieces.fault.allow' : 'pieces.fault.stop')}
          </button>
          <button type="button" className={parts.plainButton} onClick={() => put({ isMended: true })}>
            {word('pieces.fault.mend')}
          </button>
        </div>
      ) : (
        <button type="button" className={parts.plainButton} onClick={() => put({ isMended: false })}>
          {word('pieces.fault.unmend')}
        </button>
      )}
    </li>
  );
}

function NewFault({ piece, onChange }: Props) {
  const [kind, setKind] = useState<PieceFaultKind>('liftSinks');
  const [note, setNote] = useState('');
  const [doNotUse, setDoNotUse] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (event: SubmitEvent) => {
    event.preventDefault();
    try {
      onChange(await piecesApi.reportFault(piece.id, { kind, note: note.trim(), doNotUse }));
      setProblem(null);
      setNote('');
      setDoNotUse(false);
    } catch (error) {
      setProblem(explain(error));
    }
  };
  return (
    <details className={styles.reportBox}>
      <summary>{word('pieces.fault.report')}</summary>
      <form onSubmit={(e) => void add(e)} noValidate>
        <NativeSelect
          label={word('pieces.fault')}
          value={kind}
          onChange={(e) => setKind(e.currentTarget.value as PieceFaultKind)}
          data={PIECE_FAULTS.map((one) => ({ value: one, label: word(`pieces.fault.${one}`) }))}
        />
        <TextInput
          label={word('pieces.fault.note')}
          value={note}
          onChange={(e) => setNote(e.currentTarget.value)}
          maxLength={MOST_NOTE}
        />
        <Checkbox
          label={word('pieces.fault.stops')}
          checked={doNotUse}
          onChange={(e) => setDoNotUse(e.currentTarget.checked)}
        />
        {problem && <p role="alert">{problem}</p>}
        <div>
          <Button type="submit" variant="default">
            {word('pieces.fault.add')}
          </Button>
        </div>
      </form>
    </details>
  );
}

/** What is wrong with one, and whether anybody may sit on it. */
export function Faults({ piece, onChange }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const put = async (fault: string, edit: Omit<PieceFaultEdit, 'fault'>) => {
    try {
      onChange(await piecesApi.editFault(piece.id, { fault, ...edit }));
      setProblem(null);
    } catch (error) {
      setProblem(explain(error));
    }
  };
  return (
    <section aria-label={word('pieces.faults')}>
      <h2>{word('pieces.faults')}</h2>
      {piece.faultList.length === 0 && <p className={parts.soft}>{word('pieces.faults.none')}</p>}
      <ul className={styles.faults}>
        {piece.faultList.map((fault) => (
          <FaultRow key={fault.id} fault={fault} put={(edit) => void put(fault.id, edit)} />
        ))}
      </ul>
      {problem && <p role="alert">{problem}</p>}
      <NewFault piece={piece} onChange={onChange} />
    </section>
  );
}
