import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import type { PieceSeries } from '../../contract/pieces';
import { LONGEST_SERIES, LONGEST_TAG, tagsOf } from '../../contract/piece-lists';
import { piecesApi } from '../../ui/pieces-client';
import { putFaults } from '../../ui/form-faults';
import { useDraftForm } from '../../ui/use-draft-form';
import { sayWith, word } from '../../words';
import { SeatField, placeOptions, type NewPieceProps } from './NewPiece';
import styles from './pieces.module.css';

const EMPTY = { prefix: '', first: '001', count: '', seatId: '', placeId: '' };
type Texts = typeof EMPTY;

const MOST_DIGITS = 6;

/** Returns what was typed as a series; null where it is none. */
function seriesOf({ prefix, first, count, seatId, placeId }: Texts): PieceSeries | null {
  const [from, number] = [first.trim(), count.trim()];
  if (!/^\d{1,6}$/.test(from) || !/^\d{1,3}$/.test(number)) return null;
  const n = Number(number);
  if (n < 1 || n > LONGEST_SERIES) return null;
  const digits = Math.min(from.length, MOST_DIGITS);
  return { prefix, first: Number(from), digits, count: n, seatId, placeId: placeId || null };
}

/** What is typed of it, and sending it. */
function useSeries(seat: NewPieceProps['seat'], onAdded: () => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<readonly string[] | null>(null);
  const [busy, setBusy] = useState(false);
  const { form, text, put, drop } = useDraftForm(
    'piece:series',
    { ...EMPTY, seatId: seat?.id ?? '' },
    (texts) => ({
      ...(texts.seatId === '' ? { seatId: word('pieces.seatMissing') } : {}),
      ...(seriesOf(texts) ? {} : { count: sayWith('pieces.series.fault', { most: LONGEST_SERIES }) }),
    }),
  );
  const series = seriesOf(text);
  const tags = series ? tagsOf(series) : [];
  const create = async (event: SubmitEvent) => {
    event.preventDefault();
    if (form.validate().hasErrors || !series) return;
    setBusy(true);
    try {
      setDone((await piecesApi.createSeries(series)).tags);
      setProblem(null);
      await drop();
      put({ prefix: '', first: '001', count: '' });
      onAdded();
    } catch (error) {
      setProblem(putFaults(form, error));
    } finally {
      setBusy(false);
    }
  };
  return { form, text, put, tags, create, problem, done, busy };
}

type Series = ReturnType<typeof useSeries>;

/** How the tags begin, from which number on, and how many. */
const Numbers = ({ form }: Pick<Series, 'form'>) => (
  <div className={styles.numbers}>
    <TextInput
      {...form.getInputProps('prefix')}
      label={word('pieces.series.prefix')}
      maxLength={LONGEST_TAG}
      autoComplete="off"
    />
    <TextInput
      {...form.getInputProps('first')}
      label={word('pieces.series.first')}
      inputMode="numeric"
      maxLength={MOST_DIGITS}
    />
    <TextInput {...form.getInputProps('count')} label={word('pieces.series.count')} inputMode="numeric" />
  </div>
);

/** Gives a number of seats of one model tags that count up. */
export function NewSeries({
  seats,
  places,
  seat,
  onAdded,
}: NewPieceProps & { readonly onAdded: () => void }) {
  const { form, text, put, tags, create, problem, done, busy } = useSeries(seat, onAdded);
  const said = { first: tags[0] ?? '', last: tags.at(-1) ?? '' };
  return (
    <details className={styles.series}>
      <summary>{word('pieces.series')}</summary>
      <form onSubmit={(e) => void create(e)} noValidate className={styles.inner}>
        <SeatField
          seats={seats}
          seat={seat}
          chosen={text.seatId || null}
          onChoose={(next) => put({ seatId: next ?? '' })}
          fault={(form.errors.seatId as string | undefined) ?? null}
        />
        <Numbers form={form} />
        <NativeSelect
          label={word('pieces.place')}
          data={placeOptions(places)}
          {...form.getInputProps('placeId')}
        />
        {tags.length > 0 && <p>{sayWith('pieces.series.preview', said)}</p>}
        {problem && <p role="alert">{problem}</p>}
        {done && (
          <p role="status">
            {sayWith('pieces.series.done', { n: done.length, first: done[0] ?? '', last: done.at(-1) ?? '' })}
          </p>
        )}
        <Button type="submit" loading={busy} variant="default">
          {sayWith('pieces.series.create', { n: Math.max(tags.length, 1) })}
        </Button>
      </form>
    </details>
  );
}
