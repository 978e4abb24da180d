/** How long it takes to say how sure settings are: quickly, seat after seat for one person, and exactly for one seat; and whether some position of a seat fits. */
import { performance } from 'node:perf_hooks';
import {
  RANKING_DRAWS,
  certaintyOfSeat,
  certaintyOfSettings,
  drawsOf,
  quickCertainty,
} from '../src/core/certainty';
import { DIMENSIONS, type Body, type DimensionId } from '../src/core/body';
import { NO_REMEDIES, PLAIN_WORK, makeInputs, problemOf, solve } from '../src/core/fit';
import { SHIPPED_METHODS } from '../src/core/method';
import { BRITISH, filledBody } from '../src/core/population';
import type { Place } from '../src/core/place';
import { rankingInTurn } from '../src/core/rank';
import { buildDemo } from '../src/demo/build';
import { bodyOf } from './body';
import { figureOf, type Figure } from './figure';

const SEATS = 200;
const EXACT_RUNS = 5;
const SEED = 23;
const RANKED = 1000;
const FIRST = 50;
const RANKING_RUNS = 7;

/** Seats put in order for one person: all of them, and until the first fifty are known. */
function rankingFigures(body: Body, place: Place, now: Date): Figure[] {
  const seats = buildDemo(SEED, now, { seats: RANKED }).seats.map(({ seat }) => seat);
  const asked = makeInputs({
    sitter: { ageYears: 38 },
    body,
    seat: seats[0]!,
    place,
    method: SHIPPED_METHODS[0]!,
    work: PLAIN_WORK,
  });
  const [first, all]: number[][] = [[], []];
  for (let run = 0; run < RANKING_RUNS; run++) {
    const start = performance.now();
    for (const { done, count } of rankingInTurn(asked, seats, drawsOf(body, RANKING_DRAWS))) {
      if (done === FIRST) first!.push(performance.now() - start);
      if (done === count) all!.push(performance.now() - start);
    }
  }
  const detail = { seats: RANKED, draws: RANKING_DRAWS.count };
  return [
    figureOf('rank/first50', first!, { detail }),
    figureOf('rank/cold', all!.slice(0, 1), { detail }),
    figureOf('rank/all', all!.slice(1), { detail }),
  ];
}

export function certaintyFigures(now: Date): Figure[] {
  const demo = buildDemo(SEED, now, { seats: SEATS });
  const sitter = demo.sitters.find((s) => s.name.startsWith('Sunniva'))!;
  const measured = Object.fromEntries(
    Object.entries(bodyOf(sitter.readings)).map(([id, quantity]) => [
      id,
      { ...quantity, spread: DIMENSIONS[id as DimensionId].repeatTolerance / 2 },
    ]),
  );
  const body = filledBody(measured, { sex: 'women', ageYears: 38 }, BRITISH);
  const place = demo.places.find((x) => x.place.name === 'Chart room table')!.place;
  const cases = demo.seats.map(({ seat }) => {
    const p = problemOf(
      makeInputs({
        sitter: { ageYears: 38 },
        body,
        seat,
        place,
        method: SHIPPED_METHODS[0]!,
        work: PLAIN_WORK,
      }),
    );
    return { p, settings: solve(p, { remedies: NO_REMEDIES }).settings };
  });
  const timed = (act: () => void): number => {
    const start = performance.now();
    act();
    return performance.now() - start;
  };
  const draws = drawsOf(body);
  for (const { p, settings } of cases.slice(0, 40)) quickCertainty(p, settings, draws);
  const quick = cases.map(({ p, settings }) => timed(() => void quickCertainty(p, settings, draws)));
  const choosing = drawsOf(body, RANKING_DRAWS);
  for (const { p, settings } of cases.slice(0, 40)) certaintyOfSeat(p, settings, choosing);
  const seats = cases.map(({ p, settings }) => timed(() => void certaintyOfSeat(p, settings, choosing)));
  const { p, settings } = cases[0]!;
  const exact = Array.from({ length: EXACT_RUNS }, () =>
    timed(() => void [...certaintyOfSettings(p, settings, draws)]),
  );
  return [
    ...rankingFigures(body, place, now),
    figureOf('certainty/draws', [timed(() => void drawsOf(body))], { detail: { draws: draws.count } }),
    figureOf('certainty/quick', quick, { detail: { seats: SEATS, draws: draws.count } }),
    figureOf('certainty/seat', seats, { detail: { seats: SEATS, draws: choosing.count } }),
    figureOf('certainty/exact', exact, { detail: { draws: draws.count } }),
  ];
}
