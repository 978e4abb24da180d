/** The lever in hand is marked in the drawing: what is marked is what moves. */
import { expect } from 'chai';
import { assess, completeSettings, problemOf } from '../../src/core/fit';
import { MOVED_PARTS, frontView, movedIn, planView, sideView, withMoved } from '../../src/core/scene';
import { ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../../src/core/seat';
import { fullCases } from '../support/full-cases';
import { proofRuns } from '../support/proof-runs';

const VIEWS = [sideView, frontView, planView];
/** Nothing in a view shows these: how stiff, how locked, how warm something is; a turn that is drawn with its pad. */
const UNSEEN = ADJUSTMENT_KIND_IDS.filter((kind) => !MOVED_PARTS[kind]);

describe('the lever in hand', () => {
  it('marks in a view what it moves, and marks nothing that stays where it is', function () {
    this.timeout(60_000);
    const [seen, moved] = [new Set<AdjustmentKind>(), new Set<AdjustmentKind>()];
    for (const inputs of fullCases(7, proofRuns(80, 40), { sitters: 60, seats: 90 })) {
      const p = problemOf(inputs);
      const first = completeSettings(p, null);
      for (const { kind, values } of Object.values(p.variables)) {
        if (values.length < 2) continue;
        const marks = [0, values.length - 1].map((position) => {
          const a = assess(
            p,
            completeSettings(p, { ...first, positions: { ...first.positions, [kind]: position } }),
          );
          return VIEWS.map((view) => JSON.stringify(movedIn(view(a), kind).map(({ shape }) => shape)));
        });
        if (marks[0]!.some((m) => m !== '[]')) seen.add(kind);
        if (marks[0]!.some((m, view) => m !== marks[1]![view])) moved.add(kind);
      }
    }
    expect(seen.size).to.be.greaterThan(20);
    // What is marked moves, in at least one view of one case.
    expect([...seen].filter((kind) => !moved.has(kind))).to.deep.equal([]);
    expect([...seen].filter((kind) => UNSEEN.includes(kind))).to.deep.equal([]);
  });

  it('leaves everything else of the view as it is', () => {
    const a = assess(
      problemOf(fullCases(7, 1, { sitters: 60, seats: 60 })[0]!),
      completeSettings(problemOf(fullCases(7, 1, { sitters: 60, seats: 60 })[0]!), null),
    );
    const view = sideView(a);
    const marked = withMoved(view, 'seatHeight');
    expect(marked.primitives.slice(0, view.primitives.length)).to.deep.equal(view.primitives);
    expect(marked.primitives.length).to.be.greaterThan(view.primitives.length);
    expect(marked.alternative).to.deep.equal(view.alternative);
  });
});
