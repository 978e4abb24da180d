/** The kinds of records of which every version is kept. */
import { eq } from 'drizzle-orm';
import type { SeatFacts } from '../../contract/catalogue';
import { MethodSchema, PlaceSchema, SeatSchema, TableSchema } from '../../contract';
import { upgradeMethod, type Method } from '../../core/method';
import { upgradePlace, type Place } from '../../core/place';
import type { PopulationTable } from '../../core/population';
import { upgradeSeat, type SeatModel } from '../../core/seat';
import { foldedMethodVersions, methodVersions, placeVersions, seatVersions, tableVersions } from '../schema';
import { indexNewSeats, indexSeat, seatFactsOf, unindexSeat } from './seat-facts';
import { VersionedDocuments } from './versioned';

export const SEATS = new VersionedDocuments<SeatModel, SeatFacts>({
  kind: 'seat',
  table: seatVersions,
  recordId: seatVersions.seatId,
  schema: SeatSchema,
  upgrade: upgradeSeat,
  summaryForm: 1,
  summarize: seatFactsOf,
  index: indexSeat,
  indexNew: indexNewSeats,
  unindex: unindexSeat,
});

export const PLACES = new VersionedDocuments<Place, null>({
  kind: 'place',
  table: placeVersions,
  recordId: placeVersions.placeId,
  schema: PlaceSchema,
  upgrade: upgradePlace,
  summaryForm: 1,
  summarize: () => null,
});

export const METHODS = new VersionedDocuments<Method, null>({
  kind: 'method',
  table: methodVersions,
  recordId: methodVersions.methodId,
  schema: MethodSchema,
  upgrade: upgradeMethod,
  summaryForm: 1,
  summarize: () => null,
  foldedInto: async (q, versionId) => {
    const [row] = await q.select().from(foldedMethodVersions).where(eq(foldedMethodVersions.id, versionId));
    return row?.intoId ?? null;
  },
});

/** Body-size tables have one version each: another table has another id. */
export const TABLES_ADDED = new VersionedDocuments<PopulationTable, null>({
  kind: 'table',
  table: tableVersions,
  recordId: tableVersions.tableId,
  schema: TableSchema,
  upgrade: (document) => document,
  summaryForm: 1,
  summarize: () => null,
});

export const ALL_DOCUMENTS = [SEATS, PLACES, METHODS, TABLES_ADDED] as const;
