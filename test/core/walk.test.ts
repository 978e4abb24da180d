/** Walks at the seat: where they lead, what comes again and how often, and what happens when something cannot be moved. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  NO_REMEDIES,
  problemOf,
  sameSettings,
  solve,
  valuesOfSettings,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { hollowFromRearMm } from '../../src/core/fit/geometry/on-seat';
import { USUAL_FINGERS_MM } from '../../src/core/target';
import { SHIPPED_METHODS } from '../../src/core/method';
import { ORDERS } from '../../src/core/method/orders';
import { ADJUSTMENT_KINDS, type AdjustmentKind } from '../../src/core/seat';
import {
  COUPLINGS,
  HARNESS,
  causesOf,
  leftOf,
  leftSettings,
  neutralOf,
  positionByTape,
  stepWords,
  tapeUnitOf,
  walkOf,
  walkSteps,
  type WalkEvent,
} from '../../src/core/walk';
import '../../src/words/pages';
import '../../src/words/walk';
import { DEFAULT_READING, say } from '../../src/words';
import { drawnProblems } from '../support/drawn-seats';
import { proofRuns } from '../support/proof-runs';
import {
  EVERYTHING,
  EVERY_PLACE,
  FULL,
  OPEN_HIP,
  PADS,
  RIGHT_ANGLE,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  problemFor,
  seatWith,
  slides,
} from '../support/inputs';
import { evenly } from '../support/evenly';

const SEED = 20262;
/** Of drawn seats. */
const RUNS = proofRuns(200, 25);

interface Walked {
  readonly events: readonly WalkEvent[];
  readonly standing: Settings;
  readonly held: Readonly<Partial<Record<AdjustmentKind, number>>>;
}

/** Goes a walk to its end. @param stuck where what cannot be moved stands, by how many steps into the walk */
function go(p: Problem, base: Settings, stuck: (kind: AdjustmentKind, n: number) => number | null): Walked {
  const events: WalkEvent[] = [];
  for (let n = 0; n < 400; n++) {
    const { next, target, standing, held } = walkOf(p, base, events);
    if (!next) return { events, standing, held };
    const kind =
      next.what === 'set'
        ? next.kind
        : next.what === 'again' && next.touched !== HARNESS
          ? next.touched
          : null;
    const at = kind && next.what === 'set' && held[kind] === undefined ? stuck(kind, n) : null;
    events.push(
      kind === null
        ? { step: next.id, answer: 'done' }
        : { step: next.id, answer: at === null ? 'done' : 'stuck', position: at ?? target.positions[kind]! },
    );
  }
  throw new Error('a walk that does not end');
}

const isOfSeat = (kind: string): boolean => ADJUSTMENT_KINDS[kind as AdjustmentKind].belongsTo !== 'place';
/** Whether two settings put everything that somebody sets at the same place. */
function standsAs(standing: Settings, wanted: Settings, steps: readonly string[]): string[] {
  return steps
    .flatMap((id) => /^set:(\w+)$/.exec(id)?.[1] ?? [])
    .filter((kind) => standing.positions[kind as AdjustmentKind] !== wanted.positions[kind as AdjustmentKind])
    .map(
      (kind) =>
        `${kind}: ${standing.positions[kind as AdjustmentKind]} of ${wanted.positions[kind as AdjustmentKind]}`,
    );
}

describe('a walk at the seat', function () {
  this.timeout(120_000);

  it('reaches the computed settings where nothing is in the way, each step once', () => {
    let walked = 0;
    fc.assert(
      fc.property(drawnProblems(), (p) => {
        const base = solve(p, { remedies: NO_REMEDIES }).settings;
        const { events, standing } = go(p, base, () => null);
        expect(new Set(events.map((e) => e.step)).size).to.equal(events.length);
        // Nothing else was moved by it either, a back that leans freely included.
        const left = leftSettings(walkOf(p, base, events), events);
        expect(left.positions).to.include(base.positions);
        expect(
          standsAs(
            standing,
            base,
            events.map((e) => e.step),
          ),
        ).to.deep.equal([]);
        walked++;
      }),
      { numRuns: RUNS, seed: SEED },
    );
    expect(walked).to.equal(RUNS);
  });

  it('reaches the best of what is left where three things cannot be moved, and ends', () => {
    let stopped = 0;
    fc.assert(
      fc.property(drawnProblems(), fc.infiniteStream(evenly(0, 1)), (p, random) => {
        const base = solve(p, { remedies: NO_REMEDIES }).settings;
        let left = 3;
        const { events, standing, held } = go(p, base, (kind) => {
          const count = p.variables[kind]!.values.length;
          if (left === 0 || count < 2 || (random.next().value ?? 0) > 0.4) return null;
          left--;
          stopped++;
          return Math.floor((random.next().value ?? 0) * count) % count;
        });
        const wanted = solve(p, { remedies: NO_REMEDIES, held }).settings;
        expect(
          standsAs(
            standing,
            wanted,
            walkSteps(p, wanted).map((s) => s.id),
          ),
        ).to.deep.equal([]);
        for (const [kind, at] of Object.entries(held))
          expect(standing.positions[kind as AdjustmentKind]).to.equal(at);
        expect(events.length).to.be.lessThan(120);
      }),
      { numRuns: RUNS, seed: SEED },
    );
    expect(stopped).to.be.greaterThan(RUNS);
  });

  it('sends back once to what a later step spoils, and says what has spoiled it', () => {
    const everything = seatWith(
      [
        ...EVERYTHING.adjustments,
        ...MORE.filter(({ kind }) => !EVERYTHING.adjustments.some((a) => a.kind === kind)),
      ],
      { arms: PADS, offers: ['harness', 'suspension'], back: { topMm: null, synchroRatio: 2 } },
    );
    const pairs = COUPLINGS.flatMap(({ causes, touches }) =>
      causes.flatMap((c) => touches.map((t) => [c, t] as const)),
    );
    let tried = 0;
    for (const [cause, touched] of pairs) {
      const order = (...first: AdjustmentKind[]) => [
        ...first,
        ...ORDERS.groundUp.filter((k) => !first.includes(k)),
      ];
      const given = touched === HARNESS ? order(cause) : order(touched, cause);
      const p = problemFor({
        seat: everything,
        place: EVERY_PLACE,
        body: bodyWith(FULL),
        method: { ...RIGHT_ANGLE, order: given },
      });
      if (!p.variables[cause] || (touched !== HARNESS && !p.variables[touched])) continue;
      // A target in which the cause has moved from where the walk starts.
      const base = neutralOf(p, { positions: { footrest: 1 }, remedies: NO_REMEDIES });
      const start = base.positions[cause]!;
      // How deep one sits moves the front edge only of a pan that is tipped.
      const tipped = cause === 'seatDepth' ? { seatAngle: 0 } : {};
      const moved = {
        ...base,
        positions: { ...base.positions, ...tipped, [cause]: start === 0 ? 1 : start - 1 },
      };
      const again = walkSteps(p, moved).filter((s) => s.what === 'again' && s.touched === touched);
      if (!causesOf(p, touched).includes(cause) || !walkSteps(p, moved).some((s) => s.id === `set:${cause}`))
        continue;
      if (touched !== HARNESS && !walkSteps(p, moved).some((s) => s.id === `set:${touched}`)) continue;
      expect(again.length, `${cause} → ${touched}`).to.equal(1);
      expect(again[0]!.what === 'again' && again[0]!.because, `${cause} → ${touched}`).to.include(cause);
      const ids = walkSteps(p, moved).map((s) => s.id);
      expect(ids.indexOf(`again:${touched}`)).to.be.greaterThan(ids.indexOf(`set:${cause}`));
      tried++;
      if (touched === HARNESS) continue;
      // The other way round nothing is spoiled by it.
      const turned = problemFor({
        seat: everything,
        place: EVERY_PLACE,
        body: bodyWith(FULL),
        method: { ...RIGHT_ANGLE, order: order(cause, touched) },
      });
      const none = walkSteps(turned, moved).find((s) => s.what === 'again' && s.touched === touched);
      expect(none?.what === 'again' ? none.because : [], `${touched} after ${cause}`).not.to.include(cause);
    }
    expect(tried).to.be.greaterThan(25);
  });

  it('starts as the school of the method says, or as the seat does', () => {
    const seat = seatWith([
      adjustment('seatHeight', slides(400, 500)),
      adjustment('seatDepth', slides(380, 460), { neutral: 'lowest' }),
      adjustment('backAngle', slides(0, 30)),
    ]);
    const at = (neutralStart: 'liftToTop' | 'lockedUpright' | 'backAndLevel') => {
      const p = problemFor({ seat, method: { ...RIGHT_ANGLE, neutralStart } });
      const { positions } = neutralOf(p, solve(p, { remedies: NO_REMEDIES }).settings);
      return (kind: AdjustmentKind) => p.variables[kind]!.values[positions[kind]!];
    };
    expect(at('liftToTop')('seatHeight')).to.equal(500);
    expect(at('backAndLevel')('backAngle')).to.equal(30);
    expect(at('lockedUpright')('backAngle')).to.equal(5);
    expect(at('liftToTop')('seatDepth')).to.equal(380);
  });

  it('takes back that something could not be moved, and comes to the same in whatever order two devices tell it', () => {
    const p = problemFor({ method: SHIPPED_METHODS.find((m) => m.id === 'open-hip')! });
    const base = solve(p, { remedies: NO_REMEDIES }).settings;
    const stuck: WalkEvent[] = [
      { step: 'neutral', answer: 'done' },
      { step: 'set:seatHeight', answer: 'stuck', position: 0 },
    ];
    expect(walkOf(p, base, stuck).held).to.deep.equal({ seatHeight: 0 });
    const freed = walkOf(p, base, [
      ...stuck,
      { step: 'set:seatHeight', answer: 'done', position: base.positions.seatHeight! },
    ]);
    expect(freed.held).to.deep.equal({});
    expect(sameSettings(freed.target, base)).to.equal(true);
    // Positions that the seat does not have, and steps that nobody knows, do no harm.
    const odd = walkOf(p, base, [
      { step: 'set:seatHeight', answer: 'done', position: 99_999 },
      { step: 'set:nothing', answer: 'stuck', position: 1 },
      { step: 'nowhere', answer: 'done' },
    ]);
    expect(odd.held).to.deep.equal({});
    expect(odd.standing.positions.seatHeight).to.equal(p.variables.seatHeight!.values.length - 1);
    expect(Object.keys(odd.standing.positions).filter(isOfSeat)).to.include('seatHeight');
  });

  it('asks for no more fingers behind the knee than the gap has room for', () => {
    const seat = seatWith([
      adjustment('seatHeight', slides(400, 520)),
      adjustment('seatDepth', slides(330, 500)),
    ]);
    const said = new Set<string>();
    // Not measured; whole; and halves, of which the other breadth is in proportion: 80 · 7/5 and 105 · 5/7.
    const hands = [
      [null, USUAL_FINGERS_MM],
      [
        { 3: 55, 4: 73 },
        { 3: 55, 4: 73 },
      ],
      [{ 3: 80 }, { 3: 80, 4: 112 }],
      [{ 4: 105 }, { 3: 75, 4: 105 }],
    ] as const;
    for (const [hand, widths] of hands) {
      const p = problemOf({
        ...inputsOf({ seat, body: bodyWith(FULL) }),
        ...(hand && { fitterHandMm: hand }),
      });
      const base = solve(p, { remedies: NO_REMEDIES }).settings;
      for (let seatDepth = 0; seatDepth <= 170; seatDepth += 2) {
        const at = { ...base, positions: { ...base.positions, seatDepth } };
        const walk = walkOf(p, at, []);
        const { tells } = stepWords(
          p,
          walk,
          walk.steps.find(({ id }) => id === 'set:seatDepth')!,
        );
        const room = hollowFromRearMm(p, valuesOfSettings(p, at)) - (330 + seatDepth);
        if (room <= 0) expect(tells).to.equal(null);
        if (!tells) continue;
        const { fingers, breadth } = tells.values as unknown as {
          fingers: { count: 3 | 4 };
          breadth: { mm: number };
        };
        said.add(`${tells.key} ${fingers.count}`);
        expect(breadth.mm).to.equal(widths[fingers.count]);
        if (tells.key.endsWith('flat')) expect(widths[3]).to.be.greaterThan(room + 2);
        else expect(breadth.mm, `a gap of ${room}`).to.be.at.most(room + 2);
        if (fingers.count === 3) expect(widths[4]).to.be.greaterThan(room + 2);
      }
    }
    expect([...said].sort()).to.deep.equal([
      'walk.tells.seatDepth.flat 3',
      'walk.tells.seatDepth.own 3',
      'walk.tells.seatDepth.own 4',
      'walk.tells.seatDepth.usual 3',
      'walk.tells.seatDepth.usual 4',
    ]);
  });

  it('ends with what is looked at on this seat, and nothing that it has not', () => {
    const ends = (p: Problem) => {
      const base = solve(p, { remedies: NO_REMEDIES, budget: 500 }).settings;
      const walk = walkOf(p, base, []);
      const last = walk.steps.at(-1)!;
      expect(last.what).to.equal('end');
      const { procedure, tells } = stepWords(p, walk, last);
      expect(say(tells!, DEFAULT_READING)).to.include('nothing gives way');
      return procedure.map(({ key }) => key);
    };
    const stool = problemFor({ seat: seatWith([adjustment('seatHeight', slides(400, 520))]) });
    expect(ends(stool)).to.deep.equal(['walk.end.knobs']);
    const full = ends(problemFor({ seat: EVERYTHING, place: EVERY_PLACE }));
    expect(full).to.include.members(['walk.end.arms', 'walk.end.knobs', 'walk.end.back']);
  });

  it('says how far the heels hang until the pan tips, and that they stand then', () => {
    const seat = seatWith([
      adjustment('seatHeight', slides(400, 600)),
      adjustment('seatDepth', slides(360, 420)),
      adjustment('seatAngle', slides(-20, 0)),
    ]);
    const p = problemFor({
      seat,
      body: bodyWith(FULL),
      method: SHIPPED_METHODS.find((m) => m.id === 'saddle')!,
    });
    const base = solve(p, { remedies: NO_REMEDIES }).settings;
    const events: WalkEvent[] = [];
    const feet: string[] = [];
    for (;;) {
      const walk = walkOf(p, base, events);
      if (!walk.next) break;
      const said = stepWords(p, walk, walk.next);
      if (said.feet) feet.push(`${walk.next.id}: ${say(said.feet, DEFAULT_READING)}`);
      const kind =
        walk.next.what === 'set' ? walk.next.kind : walk.next.what === 'again' ? walk.next.touched : null;
      if (walk.next.what === 'again') expect(said.because?.key).to.equal('walk.because');
      if (kind && kind !== HARNESS) {
        expect(said.main.key, walk.next.id).not.to.equal('walk.byTrial');
        events.push({ step: walk.next.id, answer: 'done', position: walk.target.positions[kind]! });
      } else events.push({ step: walk.next.id, answer: 'done' });
    }
    expect(feet[0]).to.match(/^set:seatHeight: The heels hang \d+ mm for now; seat angle brings them down$/i);
    expect(feet[1]).to.equal('set:seatAngle: The heels stand on the floor now');
    expect(events.map((e) => e.step)).to.include('again:seatHeight');
  });
});

describe('a seat as left', () => {
  it('stands beside what was calculated, with why, also where one sat back after it', () => {
    const p = problemFor({
      seat: seatWith([
        adjustment('seatHeight', slides(400, 520)),
        adjustment('seatDepth', slides(380, 460)),
        adjustment('backAngle', slides(0, 25)),
      ]),
      body: bodyWith(FULL),
    });
    const base = solve(p, { remedies: NO_REMEDIES }).settings;
    const events: WalkEvent[] = [
      { step: 'set:seatDepth', answer: 'stuck', position: 0, reason: 'jammed', note: 'bent' },
      { step: 'sit:seatDepth', answer: 'done' },
      { step: 'set:seatHeight', answer: 'foundSo', position: base.positions.seatHeight! },
    ];
    const rows = leftOf(p, base, walkOf(p, base, events), events);
    const why = (kind: string) => rows.find((r) => r.kind === kind)!.why.map((m) => m.key);
    expect(why('seatDepth')).to.deep.equal(['left.why.jammed']);
    expect(why('seatHeight')).to.deep.equal(['left.why.foundSo']);
    expect(why('backAngle')).to.deep.equal(['left.why.notDone']);
    const depth = rows.find((r) => r.kind === 'seatDepth')!;
    expect(depth.note).to.equal('bent');
    expect(depth.left).not.to.deep.equal(depth.computed);
    expect(rows.find((r) => r.kind === 'backAngle')!.left).to.equal(null);
  });

  it('has a back that leans freely where it works, not where the walk began', () => {
    const p = problemFor({
      seat: seatWith([
        adjustment('seatHeight', slides(400, 520)),
        adjustment('backAngle', slides(0, 30)),
        adjustment('tiltLock', listed(0, 1), { unit: 'step', lock: { states: ['free', 'upright'] } }),
        adjustment('tiltTension', slides(0, 4), {
          unit: 'turn',
          effort: { by: 'mass', lightestKg: 45, stiffestKg: 120 },
        }),
      ]),
      body: bodyWith(FULL),
      method: OPEN_HIP,
    });
    const base = solve(p, { remedies: NO_REMEDIES }).settings;
    const walk = walkOf(p, base, []);
    expect(walk.steps.map((s) => s.id)).not.to.include('set:backAngle');
    expect(neutralOf(p, base).positions.backAngle).not.to.equal(base.positions.backAngle);
    expect(walk.standing.positions.backAngle).to.equal(base.positions.backAngle);
    expect(leftSettings(walk, []).positions.backAngle).to.equal(base.positions.backAngle);
  });

  it('is told by a tape, and a reading that cannot be is not taken', () => {
    const p = problemFor({
      seat: seatWith([
        adjustment('seatHeight', slides(400, 520)),
        adjustment('seatDepth', slides(400, 440)),
        adjustment('seatAngle', slides(-10, 0)),
      ]),
      body: bodyWith(FULL),
    });
    const level = { ...solve(p, { remedies: NO_REMEDIES }).settings };
    const at = (seatAngle: number) => ({ ...level, positions: { ...level.positions, seatAngle } });
    const flat = positionByTape(p, at(20), 'seatHeight', 450)!;
    expect(p.variables.seatHeight!.values[flat.position]).to.equal(450);
    expect(flat).to.include({ lowest: 400, highest: 520, isOutside: false });
    // Tipped forward about its rear the front edge lies lower: the same reading is a higher lift.
    const tipped = positionByTape(p, at(0), 'seatHeight', 450)!;
    expect(tipped.position).to.be.greaterThan(flat.position + 30);
    expect(positionByTape(p, at(20), 'seatHeight', 903)!.isOutside).to.equal(true);
    expect(positionByTape(p, at(20), 'seatHeight', NaN)!.isOutside).to.equal(true);
    expect(positionByTape(p, at(20), 'armHeight', 200)).to.equal(null);
    expect(tapeUnitOf(p, at(20), 'seatAngle')).to.equal('deg');
  });
});

/** What the seat with everything lacks of what can spoil something. */
const MORE = [
  adjustment('suspensionWeight', slides(50, 130), { unit: 'kg' }),
  adjustment('tiltTension', slides(0, 4), { unit: 'turn' }),
];
