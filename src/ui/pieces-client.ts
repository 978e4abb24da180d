/** The operations of tagged seats and their labels: only the pages of these bring them along. */
import type {
  LabelReport,
  NewPiece,
  NewPieceFault,
  PieceEdit,
  PieceFaultEdit,
  PieceFilter,
  PieceSeries,
} from '../contract/pieces';
import { call } from './client';

export const piecesApi = {
  pieces: (query: Partial<PieceFilter>, cursor?: string) =>
    call('GET /tagged-seats', { query: { ...query, cursor } }),
  createPiece: (body: NewPiece) => call('POST /tagged-seats', { body }),
  createSeries: (body: PieceSeries) => call('POST /tagged-seats/series', { body }),
  editPiece: (id: string, version: number, body: PieceEdit) =>
    call('PATCH /tagged-seats/{id}', { id, body }, { version }),
  reportFault: (id: string, body: NewPieceFault) => call('POST /tagged-seats/{id}/faults', { id, body }),
  editFault: (id: string, body: PieceFaultEdit) => call('PATCH /tagged-seats/{id}/faults', { id, body }),
  deletePiece: (id: string) => call('DELETE /tagged-seats/{id}', { id }),
  reportByLabel: (id: string, body: LabelReport) => call('POST /labels/{id}/faults', { id, body }),
};
