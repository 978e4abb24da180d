import { v7 } from 'uuid';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { DIMENSIONS, type DimensionId, type Sex } from '../core/body';
import type { Place } from '../core/place';
import type { SeatModel } from '../core/seat';
import { moreSeats, moreSitters } from './more';
import { DEMO_PIECES, type DemoPiece } from './pieces';
import { DEMO_PLACES } from './places';
import { DEMO_SEATS } from './seats';
import { DEMO_SITTERS, type DemoSession, type DemoSitter } from './sitters';

interface DemoReading {
  readonly id: string;
  readonly dimension: DimensionId;
  readonly value: number;
  /** The single readings it was settled from. */
  readonly takes: readonly number[] | null;
}

export interface DemoRecords {
  readonly fitters: readonly {
    readonly id: string;
    readonly name: string;
    readonly hand?: { readonly threeFingersMm: number; readonly fourFingersMm: number };
  }[];
  readonly seats: readonly { readonly versionId: string; readonly seat: SeatModel }[];
  readonly places: readonly { readonly versionId: string; readonly place: Place }[];
  readonly sitters: readonly {
    readonly id: string;
    readonly name: string;
    readonly birthDate: string;
    readonly sex: Sex | null;
    readonly consentBy: string | null;
    readonly readings: readonly DemoReading[];
    /** The session of the readings; null where they were taken one by one. */
    readonly taken: (DemoSession & { readonly id: string }) | null;
    readonly earlier:
      | (DemoSession & { readonly id: string; readonly at: Date; readonly readings: readonly DemoReading[] })
      | null;
    readonly fitting:
      (NonNullable<DemoSitter['fitting']> & { readonly id: string; readonly at: Date }) | null;
  }[];
  readonly pieces: readonly (DemoPiece & {
    readonly id: string;
    readonly faultIds: readonly string[];
  })[];
}

const FITTERS = ['Hedda Kvist', 'Rowan Aldous'];
const DAY_MS = 86_400_000;
const UUID_BYTES = 16;

/** Ids in the order of making, all from one seed: the same seed and time give the same records. */
function idsFrom(seed: number, now: Date): () => string {
  const random = xoroshiro128plus(seed);
  let seq = 0;
  return () =>
    v7({
      random: Uint8Array.from({ length: UUID_BYTES }, () => uniformInt(random, 0, 255)),
      msecs: now.getTime(),
      seq: seq++,
    });
}

/** By how much the first of two readings lies below their mean, mm; a tenth of it in kg. */
const APART = [1, 2, 0.5, 1.5, 3, 1, 2.5] as const;

const readingsOf = (measures: DemoSitter['measures'], isTwice: boolean, id: () => string): DemoReading[] =>
  Object.entries(measures).map(([key, value], i) => {
    const dimension = key as DimensionId;
    const { unit, repeatTolerance } = DIMENSIONS[dimension];
    const apart = APART[i % APART.length]! * (unit === 'kg' ? 0.1 : 1);
    const by = Math.min(apart, repeatTolerance / 2);
    const tenths = (take: number) => Math.round(take * 10) / 10;
    return { id: id(), dimension, value, takes: isTwice ? [tenths(value - by), tenths(value + by)] : null };
  });

/** How many; beyond the crew and the seats there are, more are made up. */
export interface DemoSize {
  readonly sitters: number;
  readonly seats: number;
}

const SIZE: DemoSize = { sitters: DEMO_SITTERS.length, seats: DEMO_SEATS.length };

/**
 * The demo records.
 * @param seed of the ids and of what is made up; @param now the records lie around it
 */
export function buildDemo(seed: number, now: Date, size: Partial<DemoSize> = {}): DemoRecords {
  const id = idsFrom(seed, now);
  const random = xoroshiro128plus(seed + 1);
  const { sitters, seats } = { ...SIZE, ...size };
  const crew = [...DEMO_SITTERS, ...moreSitters(random, Math.max(0, sitters - SIZE.sitters))];
  const catalogue = [...DEMO_SEATS, ...moreSeats(random, Math.max(0, seats - SIZE.seats))];
  const before = (days: number) => new Date(now.getTime() - days * DAY_MS);
  const records = {
    // The first has measured her hand.
    fitters: FITTERS.map((name, i) => ({
      id: id(),
      name,
      ...(i === 0 ? { hand: { threeFingersMm: 54, fourFingersMm: 73 } } : {}),
    })),
    seats: catalogue.slice(0, seats).map((seat) => ({ versionId: id(), seat: { ...seat, id: id() } })),
    places: DEMO_PLACES.map((place) => ({ versionId: id(), place: { ...place, id: id() } })),
    sitters: crew.slice(0, sitters).map((sitter, i) => ({
      id: id(),
      name: sitter.name,
      birthDate: `${now.getUTCFullYear() - sitter.ageYears - 1}-12-${String(28 + (i % 3)).padStart(2, '0')}`,
      sex: sitter.sex,
      consentBy: sitter.consentBy ?? null,
      readings: readingsOf(sitter.measures, sitter.taken !== undefined, id),
      fitting: sitter.fitting ? { ...sitter.fitting, id: id(), at: before(sitter.fitting.daysAgo) } : null,
      taken: sitter.taken ? { ...sitter.taken, id: id() } : null,
      earlier: sitter.earlier
        ? {
            ...sitter.earlier,
            id: id(),
            at: before(sitter.earlier.daysAgo),
            readings: readingsOf(sitter.earlier.measures, true, id),
          }
        : null,
    })),
  };
  // Last, so that what was there before keeps its ids.
  const pieces = DEMO_PIECES.filter((piece) => piece.seat < seats).map((piece) => ({
    ...piece,
    users: piece.users.filter((user) => user < sitters),
    id: id(),
    faultIds: (piece.faults ?? []).map(id),
  }));
  return { ...records, pieces };
}
