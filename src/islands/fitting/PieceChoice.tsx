import type { PieceSummary } from '../../contract/pieces';
import { piecesApi } from '../../ui/pieces-client';
import { sayWith, word } from '../../words';
import { RecordPicker } from '../shared/picker/RecordPicker';
import type { FittingState } from './use-fitting';

function nameOf({ tag, place, state, doNotUse }: PieceSummary): string {
  const values = { tag, place: place?.name ?? word('pieces.nowhere') };
  if (doNotUse) return sayWith('choose.piece.marked', { ...values, state: word('pieces.doNotUse') });
  return state === 'inUse'
    ? sayWith('choose.piece.option', values)
    : sayWith('choose.piece.marked', { ...values, state: word(`pieces.state.${state}`) });
}

const listed = (piece: PieceSummary) => ({
  id: piece.id,
  name: nameOf(piece),
  isOff: piece.doNotUse || piece.state === 'away',
});

/** Which of the seats of the chosen model it is; one that nobody may sit on, or that is away, cannot be chosen. */
export function PieceChoice({ state }: { readonly state: FittingState }) {
  const { fitting, edit } = state;
  const seatId = fitting.inputs?.seat.id;
  if (seatId === undefined) return null;
  const { piece } = fitting;
  return (
    <RecordPicker
      key={`${seatId} ${piece?.id ?? ''}`}
      label={word('choose.piece')}
      hint={word('choose.piece.hint')}
      placeholder={word('choose.piece.none')}
      moreKey="choose.piece.more"
      noneFound={word('choose.piece.noneFound')}
      of={`pieces-of-${seatId}`}
      first={null}
      search={async (search) => {
        const page = await piecesApi.pieces({ search, seat: seatId });
        return { ...page, items: page.items.map(listed) };
      }}
      chosen={piece?.id ?? null}
      current={piece && listed(piece)}
      disabled={fitting.state === 'left'}
      clearable
      onChoose={(id) => void edit({ pieceId: id })}
      fault={null}
    />
  );
}
