import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import type { PlaceSummary } from '../../contract';
import type { SeatListing } from '../../contract/catalogue';
import type { Page } from '../../contract/paging';
import { LONGEST_TAG, scannedTwice } from '../../contract/piece-lists';
import { piecesApi } from '../../ui/pieces-client';
import { putFaults } from '../../ui/form-faults';
import { newId } from '../../ui/ids';
import { useDraftForm } from '../../ui/use-draft-form';
import { sayWith, word } from '../../words';
import { SeatPicker } from './SeatPicker';
import styles from './pieces.module.css';

export interface NewPieceProps {
  readonly seats: Page<SeatListing>;
  readonly places: readonly PlaceSummary[];
  readonly seat: { readonly id: string; readonly name: string } | null;
}

/** The seat that it is: given, or chosen out of all. */
export function SeatField({
  seats,
  seat,
  chosen,
  onChoose,
  fault,
}: Pick<NewPieceProps, 'seats' | 'seat'> & {
  readonly chosen: string | null;
  readonly onChoose: (seatId: string | null) => void;
  readonly fault: string | null;
}) {
  if (seat && chosen === seat.id)
    return (
      <div>
        <div>{word('pieces.seat')}</div>
        <strong>{seat.name}</strong>
      </div>
    );
  return <SeatPicker first={seats} chosen={chosen} onChoose={onChoose} fault={fault} />;
}

export const placeOptions = (places: readonly PlaceSummary[]) => [
  { value: '', label: word('pieces.nowhere') },
  ...places.map((p) => ({ value: p.place.id, label: p.place.name })),
];

function tagFault(tag: string): string | null {
  if (tag.trim() === '') return word('pieces.tagMissing');
  const once = scannedTwice(tag);
  return once === null ? null : sayWith('pieces.twice', { tag: once });
}

/** What is typed of it, and sending it. */
function useNewPiece(seat: NewPieceProps['seat']) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [id] = useState(newId);
  const { form, text, put, drop } = useDraftForm(
    'piece:new',
    { tag: '', seatId: seat?.id ?? '', placeId: '' },
    ({ tag, seatId }) => {
      const fault = tagFault(tag);
      return {
        ...(fault === null ? {} : { tag: fault }),
        ...(seatId === '' ? { seatId: word('pieces.seatMissing') } : {}),
      };
    },
  );
  const create = async (event: SubmitEvent) => {
    event.preventDefault();
    if (form.validate().hasErrors) return;
    setBusy(true);
    try {
      const piece = await piecesApi.createPiece({
        id,
        tag: text.tag.trim(),
        seatId: text.seatId,
        placeId: text.placeId || null,
      });
      await drop();
      window.location.href = `/seats/tagged/${piece.id}`;
    } catch (error) {
      setBusy(false);
      setProblem(putFaults(form, error));
    }
  };
  return { form, text, put, create, problem, busy };
}

/** Gives one seat a tag. */
export function NewPiece({ seats, places, seat }: NewPieceProps) {
  const { form, text, put, create, problem, busy } = useNewPiece(seat);
  return (
    <form className={styles.create} onSubmit={(e) => void create(e)} noValidate>
      <h2>{word('pieces.new')}</h2>
      <TextInput
        name="tag"
        {...form.getInputProps('tag')}
        label={word('pieces.tag')}
        description={word('pieces.new.tag')}
        maxLength={2 * LONGEST_TAG}
        autoComplete="off"
        autoCapitalize="characters"
      />
      <SeatField
        seats={seats}
        seat={seat}
        chosen={text.seatId || null}
        onChoose={(next) => put({ seatId: next ?? '' })}
        fault={(form.errors.seatId as string | undefined) ?? null}
      />
      <NativeSelect
        name="placeId"
        label={word('pieces.place')}
        data={placeOptions(places)}
        {...form.getInputProps('placeId')}
      />
      {problem && <p role="alert">{problem}</p>}
      <Button type="submit" loading={busy}>
        {word('pieces.create')}
      </Button>
    </form>
  );
}
