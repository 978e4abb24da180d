import '../../words/pages';
import { Button, NativeSelect } from '@mantine/core';
import { useState, type KeyboardEvent, type SubmitEvent } from 'react';
import type { SeatSummary } from '../../contract';
import {
  SEAT_CLASSES,
  SEAT_PART_IDS,
  partOf,
  placeholderSeat,
  type AdjustmentKind,
  type SeatClass,
  type SeatModel,
  type SeatPart,
} from '../../core/seat';
import { sendAddedSeat } from '../../ui/added-seat';
import { Conflict } from '../../ui/Conflict';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import { TextField } from './fields';
import { GapList } from './GapList';
import { ControlsSection } from './ControlsSection';
import { MoreSections } from './MoreSections';
import { SeatDrawing, SeatViews } from './SeatDrawing';
import { PartSection } from './SeatSections';
import { conflictRows } from './seat-differences';
import { newSeatText, textOfSeat, withClass } from './seat-text';
import { useSeatEditor, type SeatEditor, type SeatEditorStart } from './use-seat-editor';
import styles from './seat-form.module.css';

/** What is begun with. */
export type SeatBeginning = 'new' | 'edit' | 'copy' | 'variant';

interface Props {
  readonly page: PageProps;
  readonly begin: SeatBeginning;
  /** That is edited, copied, or made a variant of. */
  readonly from: SeatSummary | null;
  /** The fitting to go back to. */
  readonly fittingId: string | null;
}

/** A copy keeps everything but who it is; a variant says whose. */
function startOf(
  { begin, from }: Props,
  id: string,
  reading: Parameters<typeof textOfSeat>[1],
): SeatEditorStart {
  if (!from) return { id, base: null, initial: newSeatText(reading), version: null, draft: 'seat:new' };
  const { seat, version } = from;
  if (begin === 'edit')
    return { id: seat.id, base: seat, initial: textOfSeat(seat, reading), version, draft: `seat:${seat.id}` };
  const familyId = seat.variant?.familyId ?? seat.id;
  const base: SeatModel = {
    ...seat,
    id,
    variant: undefined,
    ...(begin === 'variant' && {
      variant: { familyId, label: '', differsIn: ['lift', 'arms', 'headrest', 'size'] },
    }),
  };
  return {
    id,
    base,
    initial: { ...textOfSeat(base, reading), name: '' },
    version: null,
    draft: `seat:${begin}:${seat.id}`,
  };
}

/** Enter goes on to the next field; the last one keeps it. */
function goOn(event: KeyboardEvent<HTMLFormElement>): void {
  const target = event.target as HTMLElement;
  if (event.key !== 'Enter' || !target.matches('input[data-field]')) return;
  event.preventDefault();
  const fields = [...event.currentTarget.querySelectorAll<HTMLInputElement>('input[data-field]')].filter(
    (field) => field.offsetParent !== null,
  );
  fields[fields.indexOf(target as HTMLInputElement) + 1]?.focus();
}

function Gaps({ editor }: { readonly editor: SeatEditor }) {
  const { seat, gaps } = editor;
  if (!seat) return <p className={parts.soft}>{word('seatForm.nothingYet')}</p>;
  return (
    <section aria-label={word('seatForm.gaps')}>
      <h2>{word('seatForm.gaps')}</h2>
      {gaps.length === 0 ? (
        <p className={parts.soft}>{word('seatForm.gaps.none')}</p>
      ) : (
        <>
          <GapList gaps={gaps} className={styles.gaps} />
          <p className={parts.soft}>{word('seatForm.gaps.hint')}</p>
        </>
      )}
    </section>
  );
}

function Head({
  editor,
  title,
  onCancel,
}: {
  readonly editor: SeatEditor;
  readonly title: string;
  readonly onCancel: () => void;
}) {
  return (
    <div className={styles.head}>
      <h1>{title}</h1>
      {editor.isChanged && (
        <span className={parts.soft} role="status">
          {word('seatForm.kept')}
        </span>
      )}
      <span className={styles.acts}>
        <button
          type="button"
          className={parts.plainButton}
          disabled={!editor.undo}
          onClick={() => editor.undo?.()}
        >
          {word('seatForm.undo')}
        </button>
        <button
          type="button"
          className={parts.plainButton}
          disabled={!editor.redo}
          onClick={() => editor.redo?.()}
        >
          {word('seatForm.redo')}
        </button>
        <Button variant="default" onClick={onCancel}>
          {word('seatForm.cancel')}
        </Button>
        <Button type="submit" loading={editor.busy}>
          {word('seatForm.save')}
        </Button>
      </span>
    </div>
  );
}

const titleOf = (begin: SeatBeginning): string => word(begin === 'edit' ? 'seatForm.edit' : 'seatForm.new');

/** Why one is here, in a line. */
function About({ begin, from, fittingId }: Pick<Props, 'begin' | 'from' | 'fittingId'>) {
  const key = begin === 'variant' ? 'seatForm.variantOf' : begin === 'copy' ? 'seatForm.copyOf' : null;
  return (
    <>
      {key && from && <p className={parts.soft}>{sayWith(key, { name: from.seat.name })}</p>}
      {fittingId && <p className={parts.soft}>{word('seatForm.forFitting')}</p>}
    </>
  );
}

function SeatForm(props: Props) {
  const { begin, from, fittingId } = props;
  const reading = useReading();
  const [start] = useState(() => startOf(props, newId(), reading));
  const away = (seat: SeatSummary | null) => {
    if (fittingId && seat) sendAddedSeat(fittingId, seat.versionId);
    window.location.href = fittingId
      ? `/fittings/${fittingId}?stage=choose`
      : `/seats${seat ? `/${seat.seat.id}` : from ? `/${from.seat.id}` : ''}`;
  };
  const editor = useSeatEditor(start, reading, away);
  const [open, setOpen] = useState<SeatPart>('pan');
  const [newest, setNewest] = useState<AdjustmentKind | null>(null);
  const { text, change, seat, faults, hasTried } = editor;
  const form = { faults, hasTried };
  const sections = { text, form, onChange: change };
  const { fitters, fitterId } = props.page;
  const trying = {
    fitter: fitters.find((f) => f.id === fitterId)?.name ?? null,
    today: new Date().toISOString().slice(0, 10),
  };
  const save = (event: SubmitEvent) => {
    event.preventDefault();
    void editor.save();
  };
  const undoByKey = (event: KeyboardEvent<HTMLFormElement>) => {
    goOn(event);
    if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).matches('input, textarea')) return;
    const wanted =
      event.key === 'z'
        ? event.shiftKey
          ? editor.redo
          : editor.undo
        : event.key === 'y'
          ? editor.redo
          : null;
    if (!wanted) return;
    event.preventDefault();
    wanted();
  };
  if (editor.theirs)
    return (
      <Conflict
        rows={conflictRows(text, start.initial, editor.theirs.seat, reading)}
        busy={editor.busy}
        onDecide={(picks) => void editor.decide(picks)}
      />
    );
  return (
    <form
      className={styles.page}
      onSubmit={save}
      onKeyDown={undoByKey}
      noValidate
      aria-label={titleOf(begin)}
    >
      <Head
        editor={editor}
        title={titleOf(begin)}
        onCancel={() => void editor.cancel().then(() => away(null))}
      />
      <About begin={begin} from={from} fittingId={fittingId} />
      {editor.problem && (
        <p className={parts.notice} data-tone="misfit" role="alert">
          {editor.problem}
        </p>
      )}
      <div className={styles.columns}>
        <div className={styles.look}>
          <SeatDrawing
            seat={seat ?? placeholderSeat(text.seatClass)}
            open={open}
            has={[...new Set(text.adjustments.map((a) => partOf(a.kind)))]}
            onPart={(part) => {
              setOpen(part);
              setNewest(null);
            }}
          />
          <div className={styles.beside}>
            <SeatViews seat={seat ?? placeholderSeat(text.seatClass)} />
            <Gaps editor={editor} />
          </div>
        </div>
        <div className={styles.typed}>
          <div className={styles.fields}>
            <TextField
              path="name"
              label={word('seatForm.name')}
              value={text.name}
              form={form}
              isText
              isFirst={begin !== 'edit'}
              onChange={(name) => change({ name }, 'name')}
            />
            <NativeSelect
              label={word('seatForm.class')}
              value={text.seatClass}
              onChange={(e) =>
                change(withClass(text, e.currentTarget.value as SeatClass, reading), 'seatClass')
              }
              data={SEAT_CLASSES.map((c) => ({ value: c, label: word(`class.${c}`) }))}
            />
          </div>
          {SEAT_PART_IDS.map((part) => (
            <PartSection
              key={part}
              part={part}
              isOpen={part === open}
              newest={newest}
              onNewest={setNewest}
              {...sections}
            />
          ))}
          <ControlsSection
            text={text}
            seat={seat ?? placeholderSeat(text.seatClass)}
            trying={trying}
            onChange={change}
          />
          <MoreSections {...sections} isVariant={start.base?.variant !== undefined} />
        </div>
      </div>
    </form>
  );
}

export default function SeatEditPage(props: Props) {
  return (
    <Frame page={props.page} area="seats">
      <SeatForm {...props} />
    </Frame>
  );
}
