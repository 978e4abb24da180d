/** Cases brought from outside: records found by id, everything checked, computed, and said in words. Nothing is kept. */
import { done, refused, type FieldFault, type Outcome } from '../contract';
import type { FitAnswer, FitRequest, RankAnswer, RankRequest } from '../contract/compute';
import { DIMENSIONS, type Body, type DimensionId, type Sex } from '../core/body';
import type { FitFound } from '../core/answer';
import { caseDoubts, heldDoubts, makeInputs, workOf, type FitInputs, type Work } from '../core/fit';
import { SHIPPED_METHODS, type Method } from '../core/method';
import type { Interval } from '../core/target';
import type { Place } from '../core/place';
import { BRITISH, filledBody, type PopulationTable } from '../core/population';
import type { Ranking } from '../core/rank';
import { positionCount, seatDoubts, type SeatModel } from '../core/seat';
import { DEFAULT_READING, say, sayCaseDoubt, word } from '../words';
import '../words/server';
import type { Compute } from './context';

/** A sitter as a case takes one. */
interface Person {
  readonly body: Body;
  readonly ageYears: number | null;
}

/** Where the records of a case come from; null where there is no such record. */
export interface Shelf {
  readonly sitter: (id: string, estimateMissing: boolean) => Promise<Person | null>;
  readonly seat: (id: string) => Promise<SeatModel | null>;
  readonly seats: () => Promise<readonly { readonly id: string; readonly seat: SeatModel }[]>;
  readonly place: (id: string) => Promise<Place | null>;
  readonly method: (id: string) => Promise<Method | null>;
  readonly table: () => Promise<PopulationTable>;
}

const nothing = (): Promise<null> => Promise.resolve(null);

/** Without any records: methods that come with the program, everything else in full. */
export const BARE_SHELF: Shelf = {
  sitter: nothing,
  seat: nothing,
  seats: () => Promise.resolve([]),
  place: nothing,
  method: (id) => Promise.resolve(SHIPPED_METHODS.find((m) => m.id === id) ?? null),
  table: () => Promise.resolve(BRITISH),
};

type Sitter = FitRequest['sitter'];

function measuredBody(measures: Extract<Sitter, { measures: unknown }>['measures']): Body {
  const body: Partial<Record<DimensionId, Body[DimensionId]>> = {};
  for (const [id, given] of Object.entries(measures) as [
    DimensionId,
    number | { value: number; spread: number },
  ][]) {
    const { value, spread } =
      typeof given === 'number' ? { value: given, spread: DIMENSIONS[id].readingSd } : given;
    body[id] = { value, spread, basis: 'measured', source: 'request', takenAt: null, takenBy: null };
  }
  return body;
}

async function personOf(shelf: Shelf, sitter: Sitter): Promise<Person | null> {
  if ('id' in sitter) return shelf.sitter(sitter.id, sitter.estimateMissing);
  const body = measuredBody(sitter.measures);
  const who: { sex: Sex | null; ageYears: number | null } = { sex: sitter.sex, ageYears: sitter.ageYears };
  return {
    body: sitter.estimateMissing ? filledBody(body, who, await shelf.table()) : body,
    ageYears: sitter.ageYears === null ? null : Math.floor(sitter.ageYears),
  };
}

const isId = (one: object): one is { readonly id: string } => Object.keys(one).length === 1 && 'id' in one;

interface Around {
  readonly person: Person;
  readonly place: Place | null;
  readonly method: Method;
}

/** Sitter, place and method, found or as they came. */
async function aroundOf(
  shelf: Shelf,
  { sitter, place, method }: Pick<FitRequest, 'sitter' | 'place' | 'method'>,
): Promise<Around | readonly FieldFault[]> {
  const person = await personOf(shelf, sitter);
  const foundPlace = place !== null && isId(place) ? await shelf.place(place.id) : (place as Place | null);
  const foundMethod = isId(method) ? await shelf.method(method.id) : (method as Method);
  const missing: readonly [string, boolean][] = [
    ['/sitter/id', person === null],
    ['/place/id', place !== null && foundPlace === null],
    ['/method/id', foundMethod === null],
  ];
  const faults = missing
    .filter(([, is]) => is)
    .map(([pointer]) => ({ pointer, detail: word('field.noRecord') }));
  if (faults.length > 0 || !person || !foundMethod) return faults;
  return { person, place: foundPlace, method: foundMethod };
}

const inputsFor = ({ person, place, method }: Around, seat: SeatModel, work: Work): FitInputs =>
  makeInputs({
    sitter: { ageYears: person.ageYears },
    body: person.body,
    seat,
    place,
    method,
    work: workOf(work),
  });

/** A pointer into what is computed from, as one into what was asked. */
const asAsked = (pointer: string): string =>
  pointer.replace(/^\/body\//, '/sitter/measures/').replace(/^\/work\//, '/');

const faultsOf = (inputs: FitInputs): FieldFault[] =>
  caseDoubts(inputs).map((doubt) => {
    const { pointer, detail } = sayCaseDoubt(doubt);
    return { pointer: asAsked(pointer), detail };
  });

const ends = (interval: Interval | null) =>
  interval && {
    lo: Number.isFinite(interval.lo) ? interval.lo : null,
    hi: Number.isFinite(interval.hi) ? interval.hi : null,
  };
const points = (share: number): number => Math.round(1000 * share) / 10;
const rounded = (n: number): number => Math.round(n * 1000) / 1000;

function saidOf({ solved, assessment, certainty, remedies }: FitFound, inputs: FitInputs): FitAnswer {
  return {
    coreVersion: inputs.coreVersion,
    tablesVersion: inputs.tablesVersion,
    refused: assessment.refused,
    checks: assessment.checks.map((c) => ({
      check: c.id,
      verdict: c.verdict,
      reason: say(c.reason, DEFAULT_READING),
    })),
    settings: assessment.outcomes.map((o) => ({
      adjustment: o.kind,
      name: word(`kind.${o.kind}`),
      position: o.position,
      of: positionCount(o.variable.adjustment),
      value: rounded(o.value),
      unit: o.variable.adjustment.unit,
      aim: ends(o.aim),
      band: ends(o.band),
      verdict: o.verdict,
      reason: say(o.reason, DEFAULT_READING),
      missing: [...o.missing],
      estimated: [...o.estimated],
    })),
    remedies: { ...solved.settings.remedies },
    posture: assessment.angles.flatMap(({ id, deg, inside }) =>
      deg === null ? [] : [{ angle: id, degrees: rounded(deg), inBand: inside }],
    ),
    hardTenths: solved.hard,
    penaltyMillionths: solved.penalty,
    ended: solved.ended,
    boundMillionths: solved.bound,
    boxesOpened: solved.nodes,
    certainty: certainty && {
      some: {
        percent: points(certainty.some.all),
        standardErrorPoints: points(certainty.some.standardError),
        limiting: certainty.some.limiting,
      },
      asSet: {
        percent: points(certainty.asSet.all),
        standardErrorPoints: points(certainty.asSet.standardError),
        each: certainty.asSet.each.map(({ id, probability }) => ({
          condition: id,
          percent: points(probability),
        })),
        settle: certainty.asSet.settle?.dimension ?? null,
      },
    },
    offered:
      remedies?.offered.map((r) => ({
        parts: r.parts.map(({ id, sizeMm }) => ({ remedy: id, sizeMm })),
        cost: r.cost,
        closes: [...r.closes],
        leaves: [...r.leaves],
        opens: [...r.opens],
        says: r.arithmetic.map((m) => say(m, DEFAULT_READING)),
        penaltyMillionths: r.penalty,
      })) ?? null,
  };
}

/** The settings of one case. */
export async function fitCase(
  shelf: Shelf,
  compute: Compute,
  request: FitRequest,
): Promise<Outcome<FitAnswer>> {
  const around = await aroundOf(shelf, request);
  const seat = isId(request.seat) ? await shelf.seat(request.seat.id) : (request.seat as SeatModel);
  const faults = [
    ...('person' in around ? [] : around),
    ...(seat ? [] : [{ pointer: '/seat/id', detail: word('field.noRecord') }]),
  ];
  if (faults.length > 0 || !('person' in around) || !seat) return refused('invalid', { faults });
  const inputs = inputsFor(around, seat, request);
  const doubts = faultsOf(inputs);
  if (doubts.length > 0) return refused('invalid', { faults: doubts });
  const { remedies, held, include } = request;
  const astray = heldDoubts(inputs, held).map(sayCaseDoubt);
  if (astray.length > 0) return refused('invalid', { faults: astray });
  const found = await compute.fit({ inputs, remedies, held, include });
  return found.ok ? done(saidOf(found.value, inputs)) : found;
}

function saidRanking({ count, ranked, refused: out }: Ranking, limit: number, inputs: FitInputs): RankAnswer {
  return {
    coreVersion: inputs.coreVersion,
    count,
    ranked: ranked.slice(0, limit).map((r) => ({
      seat: r.seatId,
      name: r.name,
      percent: r.percent,
      standardErrorPoints: Math.round(r.standardError * 10) / 10,
      penaltyMillionths: r.penalty,
      hardTenths: r.hard,
      margin: r.margin,
      price: r.price,
      limiting: r.limiting,
      notMeant: r.notMeant.map((m) => say(m, DEFAULT_READING)),
      positions: { ...r.settings.positions },
    })),
    refused: out.map((r) => ({
      seat: r.seatId,
      name: r.name,
      reasons: r.reasons.map((m) => say(m, DEFAULT_READING)),
    })),
  };
}

/** The seats as they are asked for, each under the id that it was asked by. */
async function seatsOf(shelf: Shelf, asked: RankRequest['seats']): Promise<(SeatModel | null)[]> {
  if (!asked) return (await shelf.seats()).map(({ id, seat }) => ({ ...seat, id }));
  return Promise.all(
    asked.map(async (one) => {
      if (!isId(one)) return one;
      const seat = await shelf.seat(one.id);
      return seat && { ...seat, id: one.id };
    }),
  );
}

/** Seats in order for one sitter. */
export async function rankCase(
  shelf: Shelf,
  compute: Compute,
  request: RankRequest,
): Promise<Outcome<RankAnswer>> {
  const around = await aroundOf(shelf, request);
  const seats = await seatsOf(shelf, request.seats);
  const faults: FieldFault[] = 'person' in around ? [] : [...around];
  seats.forEach((seat, i) => {
    if (!seat) faults.push({ pointer: `/seats/${i}/id`, detail: word('field.noRecord') });
    else
      for (const doubt of seatDoubts(seat)) {
        const { pointer, detail } = sayCaseDoubt(doubt);
        faults.push({ pointer: `/seats/${i}${pointer}`, detail });
      }
  });
  if (faults.length > 0 || !('person' in around)) return refused('invalid', { faults });
  const known = seats.filter((seat) => seat !== null);
  const [first] = known;
  if (!first) return refused('invalid', { faults: [{ pointer: '/seats', detail: word('field.noRecord') }] });
  const inputs = inputsFor(around, first, request);
  const doubts = faultsOf(inputs);
  if (doubts.length > 0) return refused('invalid', { faults: doubts });
  const found = await compute.rank({ asked: inputs, seats: known });
  return found.ok ? done(saidRanking(found.value, request.limit, inputs)) : found;
}
