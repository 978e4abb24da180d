import type { SeatListing } from '../../contract/catalogue';
import type { Page } from '../../contract/paging';
import { call } from '../../ui/client';
import { word } from '../../words';
import { RecordPicker } from '../shared/picker/RecordPicker';

interface Props {
  readonly first: Page<SeatListing>;
  readonly chosen: string | null;
  readonly onChoose: (seatId: string | null) => void;
  readonly fault: string | null;
}

/** Which of the seats described. */
export const SeatPicker = (props: Props) => (
  <RecordPicker
    {...props}
    label={word('pieces.seat')}
    of="seat-picker"
    search={(search) => call('GET /seats', { query: { search } })}
    placeholder={word('pieces.seat.hint')}
    moreKey="pieces.seat.more"
    noneFound={word('seats.none')}
  />
);
