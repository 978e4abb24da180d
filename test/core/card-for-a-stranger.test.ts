/** The card read by somebody who has never seen the seat. */
import { expect } from 'chai';
import { bodyOf } from '../../bench/body';
import { NO_REMEDIES, assess, makeInputs, problemOf, solve, PLAIN_WORK } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { cardHeader, cardOf, type Card } from '../../src/core/card';
import { isFixed, isStepped, type SeatModel } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { DEFAULT_READING, say } from '../../src/words';
import '../../src/words/pages';

const DEMO = buildDemo(1, new Date('2026-11-25T09:30:00Z'));
type Sitter = (typeof DEMO.sitters)[number];
const INES = DEMO.sitters.find((s) => s.name === 'Ines Farrowby')!;

function cardFor(seat: SeatModel, sitter: Sitter): Card {
  const operated = seat.seatClass === 'operator';
  const { place } = DEMO.places.find((p) => p.place.name.startsWith(operated ? 'Helm' : 'Harbour'))!;
  const p = problemOf(
    makeInputs({
      sitter: { ageYears: null },
      body: bodyOf(sitter.readings),
      seat,
      place,
      method: SHIPPED_METHODS.find((m) => m.id === 'open-hip')!,
      work: PLAIN_WORK,
    }),
  );
  const { settings } = solve(p, { remedies: NO_REMEDIES, budget: 6000 });
  const header = cardHeader(p, { sitter: sitter.name, fitter: 'Rowan', date: '2026-11-25' });
  return cardOf(assess(p, settings), header, null);
}

describe('a card that a stranger can follow', () => {
  const cards = DEMO.seats.map(({ seat }) => ({ seat, card: cardFor(seat, INES) }));

  it('has no line for what nobody can set, and no control for what nothing holds', () => {
    for (const { seat, card } of cards)
      for (const row of card.rows) {
        const adjustment = seat.adjustments.find((a) => a.kind === row.kind);
        if (adjustment) expect(isFixed(adjustment), `${seat.name} ${row.kind}`).to.equal(false);
        if (['position.leans', 'position.follows', 'position.carried'].includes(row.setting.key))
          expect([row.control, row.movement, row.shown]).to.deep.equal([null, [], null]);
      }
  });

  it('never gives a length without from where', () => {
    let plain = 0;
    for (const { card } of cards)
      for (const { setting } of card.rows) {
        expect(setting.key).not.to.be.oneOf(['position.tape', 'position.angle']);
        if (setting.key !== 'check.from') continue;
        expect(say(setting, DEFAULT_READING)).to.match(/ from /);
        plain++;
      }
    expect(plain).to.be.greaterThan(3);
  });

  it('checks what two adjustments come to together once', () => {
    for (const { seat, card } of cards) {
      const checks = card.rows.flatMap(({ check, setting }) =>
        [check, setting].filter((m) => m?.key.startsWith('check.')).map((m) => say(m!, DEFAULT_READING)),
      );
      expect(new Set(checks).size, seat.name).to.equal(checks.length);
    }
  });

  it('frees a lock before anything that it would hold', () => {
    let freed = 0;
    for (const { card } of cards) {
      const at = card.rows.findIndex((r) => r.kind === 'tiltLock');
      if (at < 0 || say(card.rows[at]!.setting, DEFAULT_READING) !== 'Free') continue;
      expect(at).to.equal(0);
      freed++;
    }
    expect(freed).to.be.greaterThan(1);
  });

  it('counts turns and strokes from an end that a hand finds', () => {
    let counted = 0;
    for (const { card } of cards)
      for (const { setting, movement, control } of card.rows) {
        if (!control || !['position.turns', 'position.pumps'].includes(setting.key)) continue;
        expect(movement.map((m) => m.key).filter((key) => key.startsWith('working.count.'))).to.have.length(
          1,
        );
        counted++;
      }
    expect(counted).to.be.greaterThan(3);
  });

  it('says how much room is left behind the knee, where the thigh was measured', () => {
    const { check } = cardFor(DEMO.seats[0]!.seat, INES).rows.find((r) => r.kind === 'seatDepth')!;
    expect(say(check!, DEFAULT_READING)).to.match(
      / from backrest to front edge; \d+ mm free behind the knee$/,
    );
  });

  it('counts clicks only where something clicks, and says tolerances in steps', () => {
    let clicked = 0;
    for (const { seat, card } of cards)
      for (const { kind, setting, tolerance } of card.rows) {
        const adjustment = seat.adjustments.find((a) => a.kind === kind);
        if (setting.key === 'position.clicks' && adjustment) {
          expect(isStepped(adjustment) || adjustment.unit === 'step', `${seat.name} ${kind}`).to.equal(true);
          clicked++;
        }
        if (tolerance && adjustment?.unit === 'step')
          expect(say(tolerance, DEFAULT_READING), `${seat.name} ${kind}`).not.to.match(/\b\d+ (?!steps?\b)/);
      }
    expect(clicked).to.be.greaterThan(20);
  });

  it('says with the front edge how the pan stands then, where that is not level', () => {
    const seen = new Set<string>();
    for (const { card } of cards)
      for (const { setting, check } of card.rows) {
        if (setting.key !== 'position.tapeLevel' || !check) continue;
        const level = (setting.values.value as { mm: number }).mm;
        const front = (check.values.value as { mm: number }).mm;
        expect(check.key === 'check.seatHeight', `${level} ${front}`).to.equal(Math.round(level) === front);
        seen.add(check.key);
      }
    expect(seen.size).to.be.greaterThan(1);
  });

  it('has no line for a footrest that is not used, and nothing to start from where nothing moves', () => {
    const unused = cards.filter(({ card }) =>
      card.rows.some(
        (r) => r.kind === 'footrest' && Object.values(r.setting.values).some((v) => 'mm' in v && v.mm === 0),
      ),
    );
    expect(unused).to.deep.equal([]);
    const ordinary = cards.find(({ seat }) => seat.seatClass === 'ordinary')!.card;
    expect(
      ordinary.rows.filter((r) => !['deskHeight', 'screenHeight', 'footrest'].includes(r.kind)),
    ).to.deep.equal([]);
    expect(ordinary.start).to.equal(null);
    expect(ordinary.cautions.map((c) => c.key)).not.to.include('caution.pinch');
    const { seat } = cards.find((c) => c.seat.seatClass === 'ordinary')!;
    const alone = makeInputs({
      sitter: { ageYears: null },
      body: bodyOf(INES.readings),
      seat,
      place: null,
      method: SHIPPED_METHODS[0]!,
      work: PLAIN_WORK,
    });
    const p = problemOf(alone);
    const a = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    const header = cardHeader(p, { sitter: 'A', fitter: 'B', date: '2026-11-25' });
    expect(cardOf(a, header, null).start).to.equal(null);
  });
});
