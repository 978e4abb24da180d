import '../../words/pages';
import { Button, Checkbox, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import type { PlaceSummary, Sitter } from '../../contract';
import type { Page } from '../../contract/paging';
import type { PieceDetail, PieceEdit } from '../../contract/pieces';
import { LONGEST_TAG } from '../../contract/piece-lists';
import { api, explain } from '../../ui/client';
import { piecesApi } from '../../ui/pieces-client';
import { recordMet } from '../../ui/current';
import { putFaults } from '../../ui/form-faults';
import { Frame } from '../../ui/Frame';
import { useReading, type PageProps } from '../../ui/preferences';
import { rememberDeletion } from '../../ui/undo';
import { useDraftForm } from '../../ui/use-draft-form';
import parts from '../../ui/parts.module.css';
import { sayDate, sayWith, word } from '../../words';
import { PersonPicker } from '../shared/picker/RecordPicker';
import { SettingRows } from '../shared/settings/SettingRows';
import { Faults } from './Faults';
import { placeOptions } from './NewPiece';
import { StateMark } from './StateMark';
import styles from './pieces.module.css';

type Change = (edit: PieceEdit) => Promise<void>;

interface PartProps {
  readonly piece: PieceDetail;
  readonly onChange: (piece: PieceDetail) => void;
}

const textsOf = ({ tag, place, isAway, notes }: PieceDetail) => ({
  tag,
  placeId: place?.id ?? '',
  isAway,
  notes,
});

/** Tag, place and notes. What somebody else has changed at the same time is shown, and what was typed stays. */
function Facts({ piece, places, onChange }: PartProps & { readonly places: readonly PlaceSummary[] }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [isSaved, setSaved] = useState(false);
  const { form, text, drop } = useDraftForm(`piece:${piece.id}`, textsOf(piece), ({ tag }) =>
    tag.trim() === '' ? { tag: word('pieces.tagMissing') } : {},
  );
  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    setSaved(false);
    if (form.validate().hasErrors) return;
    const { tag, placeId, isAway, notes } = text;
    try {
      onChange(
        await piecesApi.editPiece(piece.id, piece.version, { tag, placeId: placeId || null, isAway, notes }),
      );
      await drop();
      setProblem(null);
      setSaved(true);
    } catch (error) {
      const met = recordMet('piece', error);
      if (met) onChange(met);
      setProblem(met ? word('fault.changed') : putFaults(form, error));
    }
  };
  return (
    <form onSubmit={(e) => void save(e)} noValidate aria-label={word('pieces.details')}>
      <h2>{word('pieces.details')}</h2>
      <TextInput label={word('pieces.tag')} maxLength={LONGEST_TAG} {...form.getInputProps('tag')} />
      <NativeSelect
        label={word('pieces.place')}
        data={placeOptions(places)}
        {...form.getInputProps('placeId')}
      />
      <Checkbox label={word('pieces.isAway')} {...form.getInputProps('isAway', { type: 'checkbox' })} />
      <Textarea
        label={word('pieces.notes')}
        autosize
        minRows={2}
        maxLength={2000}
        {...form.getInputProps('notes')}
      />
      {problem && <p role="alert">{problem}</p>}
      <div className={styles.acts}>
        <Button type="submit">{word('pieces.save')}</Button>
        {isSaved && <span role="status">{word('pieces.saved')}</span>}
      </div>
    </form>
  );
}

function Users({
  piece,
  sitters,
  change,
}: {
  readonly piece: PieceDetail;
  readonly sitters: Page<Sitter>;
  readonly change: Change;
}) {
  const ids = piece.users.map((user) => user.id);
  return (
    <section aria-label={word('pieces.users')}>
      <h2>{word('pieces.users')}</h2>
      {piece.users.length === 0 && <p className={parts.soft}>{word('pieces.users.none')}</p>}
      <ul className={styles.users}>
        {piece.users.map(({ id, name }) => (
          <li key={id}>
            <a href={`/people/${id}`}>{name}</a>
            <button
              type="button"
              className={parts.plainButton}
              aria-label={sayWith('pieces.users.remove', { name })}
              onClick={() => void change({ users: ids.filter((other) => other !== id) })}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <PersonPicker
        key={piece.version}
        label={word('pieces.users.add')}
        first={sitters}
        search={api.sitters}
        chosen={null}
        onChoose={(id) => id !== null && !ids.includes(id) && void change({ users: [...ids, id] })}
        fault={null}
      />
    </section>
  );
}

function Setting({ setting }: Pick<PieceDetail, 'setting'>) {
  const reading = useReading();
  return (
    <section aria-label={word('pieces.setting')}>
      <h2>{word('pieces.setting')}</h2>
      {setting === null ? (
        <p className={parts.soft}>{word('pieces.setting.none')}</p>
      ) : (
        <>
          <p>
            {sayWith('pieces.setting.when', { date: sayDate(setting.savedAt.slice(0, 10), reading) })}{' '}
            {setting.fittingId && (
              <a href={`/fittings/${setting.fittingId}`}>{word('pieces.setting.fitting')}</a>
            )}
          </p>
          <SettingRows settings={setting.settings} reading={reading} />
        </>
      )}
    </section>
  );
}

/** What the label holds, the print of it, and the way to withdraw one that got lost. */
function LabelPart({ piece, change }: { readonly piece: PieceDetail; readonly change: Change }) {
  const [isRenewed, setRenewed] = useState(false);
  const renew = async () => {
    await change({ newLabel: true });
    setRenewed(true);
  };
  const { labelUrl } = piece;
  return (
    <section aria-label={word('pieces.label')}>
      <h2>{word('pieces.label')}</h2>
      <p className={parts.soft}>
        {labelUrl ? sayWith('pieces.label.leads', { url: labelUrl }) : word('pieces.label.local')}
      </p>
      <div className={styles.acts}>
        <a
          href={`/api/v1/labels.pdf?${new URLSearchParams({ search: piece.tag, seat: piece.seat.id }).toString()}`}
        >
          {word('pieces.labels.get')}
        </a>
        {labelUrl && (
          <button type="button" className={parts.plainButton} onClick={() => void renew()}>
            {word('pieces.label.renew')}
          </button>
        )}
      </div>
      {isRenewed && <p role="status">{word('pieces.label.renewed')}</p>}
    </section>
  );
}

/** Which one it is, whether it may be used, and what is to be known first. */
function Head({ piece }: { readonly piece: PieceDetail }) {
  const { tag, seat } = piece;
  return (
    <>
      <div className={parts.head}>
        <h1>{sayWith('pieces.heading', { tag, seat: seat.name })}</h1>
        <a href="/seats/tagged">{word('pieces.back')}</a>
      </div>
      <div className={styles.acts}>
        <StateMark piece={piece} />
        <a href={`/seats/${seat.id}`}>{seat.name}</a>
        <a href={`/seats/${seat.id}/controls`}>{word('controls.open')}</a>
      </div>
      {piece.doNotUse && (
        <p className={parts.notice} data-tone="misfit" role="note">
          {word('pieces.stopped')}
        </p>
      )}
      {seat.state === 'retired' && <p className={parts.notice}>{word('pieces.seatRetired')}</p>}
    </>
  );
}

/** When it was last looked over, and that it was today. */
function Look({ piece, change }: { readonly piece: PieceDetail; readonly change: Change }) {
  const reading = useReading();
  const { lastLookOn, lastLookBy } = piece;
  const looked = lastLookOn === null ? word('pieces.never') : sayDate(lastLookOn, reading);
  return (
    <div className={styles.acts} data-after>
      <span>
        {word('pieces.lastLook')}:{' '}
        {lastLookBy === null ? looked : sayWith('pieces.lastLook.by', { date: looked, name: lastLookBy })}
      </span>
      <button type="button" className={parts.plainButton} onClick={() => void change({ lookedAt: true })}>
        {word('pieces.look')}
      </button>
    </div>
  );
}

interface Props {
  readonly piece: PieceDetail;
  readonly places: readonly PlaceSummary[];
  readonly sitters: Page<Sitter>;
}

function Piece({ piece: first, places, sitters }: Props) {
  const [piece, setPiece] = useState(first);
  const [fault, setFault] = useState<string | null>(null);
  const { id, tag } = piece;
  const change: Change = async (edit) => {
    try {
      setPiece(await piecesApi.editPiece(id, piece.version, edit));
      setFault(null);
    } catch (error) {
      const met = recordMet('piece', error);
      if (met) setPiece(met);
      setFault(met ? word('fault.changed') : explain(error));
    }
  };
  const remove = async () => {
    try {
      rememberDeletion('piece', tag, await piecesApi.deletePiece(id));
      window.location.href = '/seats/tagged';
    } catch (error) {
      setFault(explain(error));
    }
  };
  return (
    <>
      <Head piece={piece} />
      {fault && (
        <p role="alert" className={parts.notice} data-tone="misfit">
          {fault}
        </p>
      )}
      <Look piece={piece} change={change} />
      <div className={styles.two}>
        <div>
          <Faults piece={piece} onChange={setPiece} />
          <Facts piece={piece} places={places} onChange={setPiece} />
        </div>
        <div>
          <Setting setting={piece.setting} />
          <Users piece={piece} sitters={sitters} change={change} />
          <LabelPart piece={piece} change={change} />
        </div>
      </div>
      <div className={parts.deletion}>
        <button type="button" className={parts.dangerButton} onClick={() => void remove()}>
          {word('pieces.delete')}
        </button>
      </div>
    </>
  );
}

/** One seat that stands somewhere: where, whose, what is set on it and what is wrong. */
export default function PiecePage({ page, ...props }: Props & { readonly page: PageProps }) {
  return (
    <Frame page={page} area="seats">
      <Piece {...props} />
    </Frame>
  );
}
