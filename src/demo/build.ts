import { v7 } from 'uuid';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { DimensionId, Sex } from '../core/body';
import type { Place } from '../core/place';
import type { SeatModel } from '../core/seat';
import { moreSeats, moreSitters } from './more';
import { DEMO_PLACES } from './places';
import { DEMO_SEATS } from './seats';
import { DEMO_SITTERS, type DemoSitter } from './sitters';

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
    readonly readings: readonly {
      readonly id: string;
      readonly dimension: DimensionId;
      readonly value: number;
    }[];
    readonly fitting:
      (NonNullable<DemoSitter['fitting']> & { readonly id: string; readonly at: Date }) | null;
  }[];
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
  return {
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
      readings: Object.entries(sitter.measures).map(([dimension, value]) => ({
        id: id(),
        dimension: dimension as DimensionId,
        value,
      })),
      fitting: sitter.fitting
        ? { ...sitter.fitting, id: id(), at: new Date(now.getTime() - sitter.fitting.daysAgo * DAY_MS) }
        : null,
    })),
  };
}
