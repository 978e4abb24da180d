import { execFileSync } from 'node:child_process';
import { expect } from 'chai';
import '../../src/words/pages';
import { controlWords } from '../../src/core/card';
import { PROCEDURE_KINDS, USUAL_STEPS, seatDoubts, stepsOf, type SeatModel } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { DEFAULT_READING, say } from '../../src/words';

/** What the command line has of words, asked for one that pages of seats bring. */
const SAYS = [
  "await import('./src/server/fit-lines.ts');",
  "const { word } = await import('./src/words/index.ts');",
  "console.log(word('fault.contradiction')); process.exit(0);",
].join(' ');

const DEMO = buildDemo(5, new Date('2026-11-29T09:30:00Z'));
const seatCalled = (name: string): SeatModel => DEMO.seats.find(({ seat }) => seat.name === name)!.seat;

/** How an adjustment of a demo seat is worked, as the card has it. */
function worked(name: string, kind: string): string {
  const seat = seatCalled(name);
  const { control, movement } = controlWords(
    seat,
    seat.adjustments.find((a) => a.kind === kind)!,
  );
  return [control!, ...movement].map((m) => `${say(m, DEFAULT_READING)}.`).join(' ');
}

describe('how a control is worked, in plain words', () => {
  it('is the same lever up for a gas lift both ways: the weight decides', () => {
    expect(worked('Tidewick shared chair', 'seatHeight')).to.equal(
      'Right hand: flat lever, under the seat on the right (number 1 of 2 from the front). By touch: flat. Lift and hold. To raise: take your weight off. To lower: sit on it. Release it where it should stay.',
    );
  });

  it('tells of a ratchet that it drops from the top and is counted again', () => {
    expect(worked('Fulmar dispatch chair', 'backHeight')).to.equal(
      'Both hands: back, both lower edges of the back. Move click by click to raise. It does not come down by clicks. At the same time, lean forward. You feel or hear: one click for each step. Too high: take it to the top. It drops to the bottom; count again from there. It clicks at every step.',
    );
  });

  it('tells of a bulb how the air goes in and how it comes out', () => {
    expect(worked('Guillemot ticket chair', 'lumbarDepth')).to.contain(
      'To deepen: pump. To flatten: press the valve beside it. At the same time, keep still.',
    );
  });

  it('tells of a two-way lock what each way does, and of the lever’s other move what has to be so first', () => {
    expect(worked('Dunlin chart chair', 'tiltLock')).to.contain(
      'Flip down: locked; up: free. You feel or hear: it snaps over. If not: lean back a little',
    );
    expect(worked('Dunlin chart chair', 'backAngle')).to.contain(
      'First: Tilt lock free. Pull all the way. Lift and hold. To recline: lean back.',
    );
    expect(worked('Fulmar dispatch chair', 'tiltLock')).to.contain(
      'Flip up, one position after the other: free, limited and locked upright.',
    );
  });

  it('tells of a weighing suspension to pull once and sit still, and lists suspension and harness in steps', () => {
    expect(worked('Bellreef helm seat', 'suspensionWeight')).to.contain(
      'Sit right back, pull once, a little only, and sit still, hands off: it sets itself to the sitter. You feel or hear: it settles and clicks.',
    );
    const steps = seatCalled('Bellreef helm seat').procedures.map((p) =>
      stepsOf(p).map((m) => say(m, DEFAULT_READING)),
    );
    expect(steps[0]!.join(' ')).to.match(/Park.*softest.*short pull.*still.*damper.*every shift/);
    expect(steps[1]!.join(' ')).to.match(/shoulders.*pelvis, never over the belly.*snug.*release/);
  });

  it('names who stands where, the tool and that both sides are tightened again', () => {
    expect(worked('Petrel heavy-duty watch seat', 'armWidth')).to.contain(
      'A second person does this. Stand behind the seat; right and left are yours. Tool: 8 mm key, clipped under the seat.',
    );
    expect(worked('Petrel heavy-duty watch seat', 'armWidth')).to.contain('Tighten both sides again, alike.');
    expect(worked('Marram sloped stool', 'backAngle')).to.match(/Tighten it again\.$/);
  });

  it('never guesses a direction that nobody tried', () => {
    const seat = seatCalled('Tidewick shared chair');
    const controls = seat.controls.map((c) => ({
      ...c,
      moves: c.moves.map((m) => ({ ...m, directionForMore: 'unknown' as const })),
    }));
    for (const adjustment of seat.adjustments) {
      const said = controlWords({ ...seat, controls }, adjustment).movement.map((m) =>
        say(m, DEFAULT_READING),
      );
      expect(said.join('. ')).not.to.match(/clockwise|upward|not known/);
    }
    const tension = seat.adjustments.find((a) => a.kind === 'tiltTension')!;
    expect(controlWords({ ...seat, controls }, tension).movement.map((m) => m.key)).to.include(
      'working.unknown',
    );
  });
});

describe('controls of the demo seats', () => {
  it('say of everything that can be moved how it is moved, where it is, and who tried it', () => {
    for (const { seat } of DEMO.seats) {
      for (const adjustment of seat.adjustments) {
        const { travel, holds, kind } = adjustment;
        if (holds.how === 'passive' || (travel.type === 'listed' && travel.values.length === 1)) continue;
        expect(controlWords(seat, adjustment).control, `${seat.name} ${kind}`).not.to.equal(null);
      }
      for (const { name, side, zone, moves } of seat.controls) {
        expect([side, zone], `${seat.name} ${name}`).not.to.include(undefined);
        for (const { tried } of moves) expect(tried?.by).to.equal('Rowan Aldous');
      }
      expect(seatDoubts(seat), seat.name).to.deep.equal([]);
      if (seat.controls.length > 0) expect(seat.procedures, seat.name).not.to.deep.equal([]);
    }
  });
});

describe('procedures', () => {
  it('have usual steps for every kind but one’s own', () => {
    for (const kind of PROCEDURE_KINDS) {
      const said = stepsOf({ id: 'one', kind, steps: [] }).map((m) => say(m, DEFAULT_READING));
      expect(said).to.have.length(USUAL_STEPS[kind]);
      expect(said.length > 0).to.equal(kind !== 'own');
    }
  });

  it('say their own steps where they have some, with what is felt and what to do if not', () => {
    const steps = [{ text: 'Pull the strap', felt: 'it is snug', otherwise: 'pull again' }];
    expect(stepsOf({ id: 'one', kind: 'harness', steps }).map((m) => say(m, DEFAULT_READING))).to.deep.equal([
      'Pull the strap',
      'You feel or hear: it is snug',
      'If not: pull again',
    ]);
  });
});

describe('what contradicts itself in a seat’s controls', () => {
  const seat = seatCalled('Dunlin chart chair');
  const withMoves = (change: (m: SeatModel['controls'][number]['moves'][number]) => object): SeatModel => ({
    ...seat,
    controls: seat.controls.map((c) => ({ ...c, moves: c.moves.map((m) => ({ ...m, ...change(m) })) })),
  });

  it('is found where one control gives more both ways', () => {
    const [first, ...rest] = seat.controls;
    const [move] = first!.moves;
    const moves = [move!, { ...move!, directionForMore: 'down' as const }];
    expect(seatDoubts({ ...seat, controls: [{ ...first!, moves }, ...rest] })).to.deep.equal([
      { reason: 'contradiction', field: '/controls/0/moves/1/directionForMore', value: 'down' },
    ]);
  });

  it('is found where each of two has to be set before the other', () => {
    const round = withMoves(({ adjustmentId }) =>
      adjustmentId === 'tiltLock' ? { preconditions: [{ of: 'backAngle', is: 'upright' }] } : {},
    );
    expect(seatDoubts(round).map((d) => d.reason)).to.deep.equal(['circle']);
    const itself = withMoves(({ adjustmentId }) =>
      adjustmentId === 'armHeight' ? { preconditions: [{ of: 'armHeight', is: 'down' }] } : {},
    );
    expect(seatDoubts(itself).map((d) => d.reason)).to.deep.equal(['circle']);
  });

  it('is found where a precondition or a procedure names what is not there, or says nothing', () => {
    const nothing = withMoves(({ adjustmentId }) =>
      adjustmentId === 'armHeight' ? { preconditions: [{ of: 'mast', is: 'down' }] } : {},
    );
    expect(seatDoubts(nothing).map((d) => [d.reason, d.value])).to.deep.equal([
      ['preconditionOfNothing', 'mast'],
    ]);
    const procedures = [
      { id: 'one', kind: 'latch' as const, controlId: 'mast', steps: [] },
      { id: 'two', kind: 'own' as const, steps: [] },
    ];
    expect(seatDoubts({ ...seat, procedures }).map((d) => d.reason)).to.deep.equal([
      'procedureOfNothing',
      'emptyProcedure',
    ]);
  });

  it('is said in words by the command line too', () => {
    const said = execFileSync(process.execPath, ['--import', 'tsx', '-e', SAYS], { encoding: 'utf8' });
    expect(said).to.contain('opposite direction').and.not.to.contain('fault.');
  }).timeout(30_000);
});
