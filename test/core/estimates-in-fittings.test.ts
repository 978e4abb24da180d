import { expect } from 'chai';
import { estimatedOf, isMeasured, pairDoubts, type Body } from '../../src/core/body';
import { NO_REMEDIES, assess, problemOf, seatChecks, solve, type FitInputs } from '../../src/core/fit';
import {
  BRITISH,
  centileOf,
  conditional,
  filledBody,
  knownOf,
  numberOf,
  populationFor,
  populationOf,
  tableOfAge,
} from '../../src/core/population';
import { cardHeader, cardOf } from '../../src/core/card';
import { ruleOf } from '../../src/core/scene';
import { DEFAULT_READING, say } from '../../src/words';
import { adjustment, bodyWith, inputsOf, listed, placeWith, q, seatWith, slides } from '../support/inputs';

const QUICK = bodyWith({
  stature: 1740,
  bodyMass: 75,
  shoeHeel: 25,
  poplitealHeight: 440,
  buttockPoplitealLength: 495,
  elbowHeightSitting: 245,
  hipBreadthSitting: 360,
});
const MAN = { sex: 'men', ageYears: 40 } as const;

const DESK = placeWith(listed(720));
const SEAT = seatWith([
  adjustment('seatHeight', slides(400, 530)),
  adjustment('seatDepth', slides(380, 460)),
  adjustment('backAngle', slides(0, 20)),
  adjustment('armHeight', slides(180, 280)),
  adjustment('headHeight', slides(580, 720)),
  adjustment('suspensionWeight', slides(50, 130), { unit: 'kg' }),
]);

const inputs = (body: Body, more: Partial<FitInputs> = {}): FitInputs => ({
  ...inputsOf({ body, seat: SEAT, place: DESK, ageYears: 40 }),
  ...more,
});

function assessed(body: Body) {
  const problem = problemOf(inputs(body));
  return { problem, assessment: assess(problem, solve(problem, { remedies: NO_REMEDIES }).settings) };
}

describe('a body filled in', () => {
  const filled = filledBody(QUICK, MAN, BRITISH);

  it('keeps every reading and marks every estimate as one, with its spread and its table', () => {
    for (const [id, quantity] of Object.entries(QUICK)) expect(filled[id as keyof Body]).to.equal(quantity);
    const estimated = estimatedOf(filled, [
      'shoulderHeightSitting',
      'thighClearance',
      'napeHeight',
      'kneeHeight',
    ]);
    expect(estimated).to.have.length(4);
    for (const id of estimated) {
      expect(filled[id]).to.include({
        basis: 'estimated',
        source: BRITISH.name,
        takenAt: null,
        takenBy: null,
      });
      expect(filled[id]!.spread).to.be.greaterThan(0);
      expect(isMeasured(filled, id)).to.equal(false);
    }
    // The average man in what is known is the average man in the rest.
    expect(filled.shoulderHeightSitting!.value).to.be.closeTo(595, 1);
  });

  it('leaves to practice what practice has a rule for, and invents nobody', () => {
    expect(filled).not.to.have.any.keys('smallOfBackHeight', 'smallOfBackDepth', 'forearmBreadth');
    const shoes = bodyWith({ shoeHeel: 25 });
    expect(filledBody(shoes, MAN, BRITISH)).to.equal(shoes);
    expect(filledBody({}, MAN, BRITISH)).to.deep.equal({});
  });

  it('of a child goes by its age, of nobody’s table by shares of the stature', () => {
    const child = filledBody(bodyWith({ stature: 1217 }), { sex: 'men', ageYears: 7 }, BRITISH);
    expect(child.poplitealHeight!.value).to.be.within(300, 320);
    expect(child.poplitealHeight!.source).to.equal(tableOfAge(7).name);
    const shares = filledBody(bodyWith({ stature: 1700 }), { sex: null, ageYears: null }, null);
    expect(shares.sittingHeight!.value).to.equal(884);
    expect(shares).not.to.have.property('poplitealHeight');
  });

  it('of a child uses every measure there is: another one only sharpens', () => {
    const population = populationFor({ sex: 'women', ageYears: 6 }, BRITISH)!;
    const spread = (body: Body) =>
      conditional(population, knownOf(body))[numberOf('poplitealHeight')]!.spread;
    expect(spread(bodyWith({ stature: 1150, kneeHeight: 350 }))).to.be.lessThan(
      spread(bodyWith({ stature: 1150 })),
    );
  });

  it('has nothing that contradicts a reading', () => {
    const odd = { ...filled, shoulderHeightSitting: { ...filled.shoulderHeightSitting!, value: 200 } };
    expect(pairDoubts(odd)).to.deep.equal([]);
    expect(pairDoubts({ ...odd, shoulderHeightSitting: q(200) })).to.have.length.greaterThan(0);
  });
});

describe('a fitting on estimates', () => {
  const { problem, assessment } = assessed(filledBody(QUICK, MAN, BRITISH));
  const outcome = (kind: string) => assessment.outcomes.find((o) => o.kind === kind)!;

  it('says of each setting which estimates it rests on', () => {
    expect(outcome('seatHeight').estimated).to.deep.equal([]);
    expect(outcome('armHeight').estimated).to.deep.equal(['shoulderHeightSitting']);
    expect(outcome('headHeight').estimated).to.have.members(['napeHeight', 'cervicaleHeightSitting']);
    expect(outcome('headHeight').verdict).to.equal('fits');
    const without = assessed(QUICK).assessment.outcomes.find((o) => o.kind === 'headHeight')!;
    expect(without.verdict).to.equal('notMeasured');
    expect(without.estimated).to.deep.equal([]);
  });

  it('is as unsure of a setting as the estimate is', () => {
    const { napeHeight, cervicaleHeightSitting } = problem.inputs.body;
    expect(outcome('headHeight').doubt).to.be.closeTo(
      Math.hypot(napeHeight!.spread, cervicaleHeightSitting!.spread),
      1e-9,
    );
  });

  it('shows it in the chain, on the card, on the rule and in the angles', () => {
    const card = cardOf(
      assessment,
      cardHeader(problem, { sitter: 'A', fitter: 'B', date: '2026-11-26' }),
      null,
    );
    const row = card.rows.find((r) => r.kind === 'headHeight')!;
    expect(row.isEstimate).to.equal(true);
    expect(row.chain.map((m) => say(m, DEFAULT_READING)).join(' ')).to.match(
      /Estimated, not measured: .*nape/,
    );
    expect(card.rows.find((r) => r.kind === 'seatHeight')!.isEstimate).to.equal(false);
    expect(card.estimated.map((m) => say(m, DEFAULT_READING)).join(' · ')).to.match(
      /nape height 6\d\d mm ± \d+ mm/i,
    );
    const rule = ruleOf(assessment);
    const tag = (id: string) => rule.pairs.find((p) => p.sitter.id === id)!.sitter;
    expect(tag('nape').isEstimate).to.equal(true);
    expect(tag('hollowOfKnee').isEstimate).to.equal(undefined);
    expect(rule.alternative.map((m) => say(m, DEFAULT_READING)).join(' ')).to.match(
      /nape at about \d+ mm, estimated/i,
    );
    const angle = (id: string) => assessment.angles.find((a) => a.id === id)!;
    expect(angle('elbow').isEstimate).to.equal(true);
    expect(angle('knee').isEstimate).to.equal(false);
  });

  it('never passes a rated load, refuses a seat, or sets a suspension on a guess', () => {
    const guessed = filledBody(bodyWith({ stature: 1740 }), MAN, BRITISH);
    expect(guessed.bodyMass!.basis).to.equal('estimated');
    const narrow = { ...SEAT, seatWidthMm: q(200), ratedLoadKg: q(20) };
    const place = { ...DESK, headroomMm: 900 };
    const verdicts = seatChecks(inputs(guessed, { seat: narrow, place })).map((c) => c.verdict);
    expect(verdicts).to.deep.equal(['notMeasured', 'notMeasured', 'notMeasured']);
    const suspension = assessed(guessed).assessment.outcomes.find((o) => o.kind === 'suspensionWeight')!;
    expect(suspension.verdict).to.equal('notMeasured');
    expect(suspension.missing).to.deep.equal(['bodyMass']);
  });
});

describe('a child among children of its age', () => {
  it('stands where the references of its age have it', () => {
    // WHO 2007 at seven: boys 121.7 cm, deviation 5.29 (from memory).
    const population = populationOf(tableOfAge(7), 'men');
    expect(centileOf(population, 'stature', 1217.3)).to.be.closeTo(0.5, 1e-6);
    expect(centileOf(population, 'stature', 1217.3 - 1.6449 * 52.9)).to.be.closeTo(0.05, 1e-4);
  });
});
