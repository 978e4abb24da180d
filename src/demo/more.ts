/** As many more of the crew and of the seats as wanted, for measurements of speed: all made up, all from one seed. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import type { RandomGenerator } from 'pure-rand/types/RandomGenerator';
import { DIMENSIONS, pairDoubts, rangeDoubt, type Body, type DimensionId } from '../core/body';
import type { Quantity } from '../core/quantity';
import { ADJUSTMENT_KINDS, movedTravel, seatDoubts, type Adjustment, type SeatModel } from '../core/seat';
import { DEMO_SEATS } from './seats';
import { DEMO_SITTERS, type DemoSitter } from './sitters';

const GIVEN = [
  'Alva', 'Bram', 'Corin', 'Dagny', 'Eskil', 'Freya', 'Gorm', 'Hilde', 'Ivo', 'Jorun', 'Kaspar', 'Liv', 'Mattis',
  'Nella', 'Odd', 'Pernilla', 'Quinn', 'Ragna', 'Sten', 'Tuva', 'Ulf', 'Vigdis', 'Wenda', 'Yrsa', 'Zoé',
] as const; // prettier-ignore
const FAMILY = [
  'Aaskær', 'Brinewell', 'Corvane', 'Drangey', 'Ebbmoor', 'Fjellvik', 'Gannetry', 'Holmsay', 'Ingersand', 'Jarlsgate',
  'Kelpstone', 'Lochty', 'Merrowe', 'Norvoe', 'Ostrand', 'Pelling', 'Quayle-Orm', 'Roosund', 'Skerrigan', 'Thrane',
  'Uggla', 'Voe', 'Wrack', 'Ytterby', 'Åsland',
] as const; // prettier-ignore

/** How much larger or smaller than one of the crew another may be, and how much each measure may differ besides. */
const SIZE_SHARE = 0.07;
const OWN_SHARE = 0.02;
const YOUNGEST = 18;
const OLDEST = 68;
/** A measure is drawn anew this often where no body can have it. */
const TRIES = 40;

const within = (random: RandomGenerator, share: number): number =>
  1 + share * (2 * uniformFloat64(random) - 1);

/** To what the instrument shows: whole millimetres, half kilograms. */
const asRead = (dimension: DimensionId, value: number): number =>
  DIMENSIONS[dimension].unit === 'kg' ? Math.round(value * 2) / 2 : Math.round(value);

const bodyOf = (measures: DemoSitter['measures']): Body =>
  Object.fromEntries(
    Object.entries(measures).map(([id, value]): [string, Quantity] => [
      id,
      {
        value,
        basis: 'measured',
        spread: DIMENSIONS[id as DimensionId].readingSd,
        source: 'demo',
        takenAt: null,
        takenBy: null,
      },
    ]),
  );

const isPossible = (measures: DemoSitter['measures']): boolean =>
  pairDoubts(bodyOf(measures)).length === 0 &&
  Object.entries(measures).every(([id, value]) => rangeDoubt(id as DimensionId, value) === null);

function measuresLike(random: RandomGenerator, model: DemoSitter): DemoSitter['measures'] {
  for (let i = 0; i < TRIES; i++) {
    const size = within(random, SIZE_SHARE);
    const measures = Object.fromEntries(
      Object.entries(model.measures).map(([id, value]) => {
        const grown = DIMENSIONS[id as DimensionId].unit === 'kg' ? size ** 3 : id === 'shoeHeel' ? 1 : size;
        return [id, asRead(id as DimensionId, value * grown * within(random, OWN_SHARE))];
      }),
    );
    if (isPossible(measures)) return measures;
  }
  return model.measures;
}

/** @param n which of the more it is: the names repeat after 625, with a number from then on */
function nameOf(n: number): string {
  const round = Math.floor(n / (GIVEN.length * FAMILY.length));
  const name = `${GIVEN[n % GIVEN.length]} ${FAMILY[(n * 7 + Math.floor(n / GIVEN.length)) % FAMILY.length]}`;
  return round === 0 ? name : `${name} ${round + 1}`;
}

/** Sitters beyond the crew, without fittings. */
export function moreSitters(random: RandomGenerator, count: number): DemoSitter[] {
  const adults = DEMO_SITTERS.filter((s) => s.ageYears >= YOUNGEST && Object.keys(s.measures).length > 0);
  return Array.from({ length: count }, (_, n) => {
    const ageYears = uniformInt(random, YOUNGEST, OLDEST);
    const model = adults[uniformInt(random, 0, adults.length - 1)]!;
    return {
      name: nameOf(n),
      ageYears,
      sex: model.sex,
      measures: measuresLike(random, model),
      fitting: null,
    };
  });
}

const MOST_MOVED_MM = 25;
/** A length that counts from the floor, the seat or the back; not one that begins at its own end. */
const isMovable = (a: Adjustment): boolean =>
  a.unit === 'mm' && (ADJUSTMENT_KINDS[a.kind].typical?.[0] ?? 0) > MOST_MOVED_MM * 2;

/** Variants of the seats there are, each valid. */
export function moreSeats(random: RandomGenerator, count: number): Omit<SeatModel, 'id'>[] {
  return Array.from({ length: count }, (_, n) => {
    const model = DEMO_SEATS[n % DEMO_SEATS.length]!;
    const name = `${model.name}, variant ${Math.floor(n / DEMO_SEATS.length) + 2}`;
    const variant = {
      ...model,
      name,
      adjustments: model.adjustments.map((a) =>
        // By a little, so that each seat reaches something else.
        isMovable(a)
          ? { ...a, travel: movedTravel(a.travel, uniformInt(random, -MOST_MOVED_MM, MOST_MOVED_MM)) }
          : a,
      ),
    };
    return seatDoubts({ ...variant, id: '' }).length === 0 ? variant : { ...model, name };
  });
}
