import { readFileSync, readdirSync } from 'node:fs';
import { expect } from 'chai';
import { DIMENSION_IDS } from '../../src/core/body';
import {
  ANGLE_IDS,
  ANGLE_SOURCES,
  CASE_FAULTS,
  CONDITIONS,
  NO_REMEDIES,
  VERDICTS,
  assess,
  remediesFor,
  remedyHint,
  solve,
  CONDITION_IDS,
} from '../../src/core/fit';
import { curesAgainst } from '../../src/core/fit/remedies/cures';
import { FILE_FAULTS, ROW_DOUBTS, ROW_FAULTS } from '../../src/core/exchange';
import type { Message } from '../../src/core/message';
import { METHOD_CAUTIONS, ORDER_IDS, TIE_BREAKS } from '../../src/core/method';
import { HANDS_OF, TARGET_BASES } from '../../src/core/target';
import { cardOf } from '../../src/core/card';
import { ruleOf, sideView } from '../../src/core/scene';
import {
  ACTIONS,
  ADJUSTMENT_KIND_IDS,
  DATUMS,
  SIGNS,
  DIRECTIONS,
  HANDS,
  SEAT_CLASSES,
  SEAT_FAULTS,
  SITTER_ACTS,
} from '../../src/core/seat';
import { GROUNDS } from '../../src/core/place';
import { DEMO_PLACES } from '../../src/demo/places';
import { DEMO_SEATS } from '../../src/demo/seats';
import { DEMO_SITTERS } from '../../src/demo/sitters';
import { ABOUTS, COMMON as SHARED_WORDS, PAGES as PAGE_WORDS, SERVER } from '../../src/words/en-GB';
import { DEFAULT_READING, isWordKey, say, sayDate, sayPrice, sayTurns, t } from '../../src/words';
import '../../src/words/cards';
import '../../src/words/pages';
import { proofRuns } from '../support/proof-runs';
import { OPEN_HIP, RIGHT_ANGLE, bodyWith, problemFor, settingsAt } from '../support/inputs';

const WORDS = { ...SHARED_WORDS, ...PAGE_WORDS, ...SERVER, ...ABOUTS };

const HEADER = { sitter: 'A', seat: 'B', place: null, method: 'C', fitter: 'D', date: '2026-11-25' };

/** Every message that the core gives for some sitter, seat, place and method, at the best and at both ends. */
function everyMessage(): Message[] {
  const messages: Message[] = [];
  for (const [n, sitter] of DEMO_SITTERS.entries()) {
    for (const [i, seat] of DEMO_SEATS.entries()) {
      // Every sitter, every seat, and not each on each.
      if ((n + i) % proofRuns(1, 4) > 0) continue;
      const place = DEMO_PLACES[i % DEMO_PLACES.length]!;
      const p = problemFor({
        body: bodyWith(sitter.measures),
        seat: { ...seat, id: 's' },
        place: { ...place, id: 'p' },
        method: i % 2 ? OPEN_HIP : RIGHT_ANGLE,
        ageYears: sitter.ageYears,
      });
      const ends = Object.fromEntries(
        Object.values(p.variables).map((v) => [v.kind, v.values[v.values.length - 1]!]),
      );
      const found = remediesFor(p);
      for (const settings of [
        solve(p, { remedies: NO_REMEDIES }).settings,
        settingsAt(p, {}),
        settingsAt(p, ends),
        ...found.offered.map((r) => r.settings),
      ]) {
        const a = assess(p, settings);
        const card = cardOf(a, HEADER, found);
        messages.push(
          ...a.outcomes.flatMap((o) => [
            o.reason,
            o.words,
            o.bestWords,
            ...(remedyHint(p, o) ? [remedyHint(p, o)!] : []),
          ]),
        );
        messages.push(
          ...a.checks.map((c) => c.reason),
          ...found.offered.flatMap((r) => [...r.arithmetic, ...r.effects.map((e) => e.words)]),
        );
        messages.push(
          ...card.rows
            .flatMap((r) => [r.setting, r.control, ...r.movement, r.check, r.tolerance, ...r.chain])
            .filter((m) => m !== null),
        );
        messages.push(
          ...card.cautions,
          ...card.remedies,
          ...card.offered.flatMap(({ names, parts }) => [...names, ...parts]),
          ...card.refusals,
          ...card.angles,
        );
        messages.push(...ruleOf(a).alternative, ...sideView(a).alternative);
      }
    }
  }
  return messages;
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile() && /\.(ts|tsx|astro)$/.test(e.name))
    .map((e) => `${e.parentPath}/${e.name}`);

describe('the wording table', () => {
  it('words every message that the core gives for any demo sitter on any seat, leaving no hole', function () {
    this.timeout(90_000);
    const messages = everyMessage();
    expect(messages.length).to.be.greaterThan(2000);
    for (const m of messages) {
      expect(isWordKey(m.key), m.key).to.equal(true);
      for (const value of Object.values(m.values)) {
        if ('word' in value) expect(isWordKey(value.word), `${m.key}: ${value.word}`).to.equal(true);
        if ('words' in value) for (const key of value.words) expect(isWordKey(key), key).to.equal(true);
      }
      const text = say(m, DEFAULT_READING);
      expect(text, m.key).not.to.match(/[{}]|NaN|undefined|Infinity/);
    }
  });

  const endingsOf = (id: string, side: string): readonly string[] => {
    if (id === 'tension') return ['.turn', '.step', '.weighing'];
    if (id === 'kneeRoom') return ['', '.forward', '.back'];
    if (id !== 'footGap') return [''];
    return ['.floor', '.support'].flatMap((on) =>
      side === 'good' ? ['.level', '.above', '.below'].map((at) => at + on) : [on],
    );
  };

  it('has a reason for every condition on both sides and inside', () => {
    for (const id of CONDITION_IDS) {
      for (const side of ['good', 'more', 'less']) {
        for (const unit of endingsOf(id, side)) expect(WORDS).to.have.property(`reason.${id}.${side}${unit}`);
      }
      for (const side of ['more', 'less'] as const)
        if (curesAgainst(`${id}.${side}`).length === 0)
          expect(WORDS).to.have.property(`remedy.for.${id}.${side}`);
    }
    expect(CONDITIONS.map((c) => c.id)).to.have.members(CONDITION_IDS);
  });

  const families: readonly [string, readonly string[]][] = [
    ['dimension', DIMENSION_IDS],
    ['how', DIMENSION_IDS],
    ['kind', ADJUSTMENT_KIND_IDS],
    ['datum', DATUMS],
    ['more', SIGNS],
    ['less', SIGNS],
    ['end', SIGNS],
    ['angle', ANGLE_IDS],
    ['angleSource', ANGLE_SOURCES],
    ['ground', GROUNDS],
    ['fault', [...CASE_FAULTS, ...SEAT_FAULTS]],
    ['verdict', VERDICTS],
    ['hand', HANDS],
    ['action', ACTIONS],
    ['direction', DIRECTIONS],
    ['sitter', SITTER_ACTS],
    ['class', SEAT_CLASSES],
    ['order', ORDER_IDS],
    ['caution.method', METHOD_CAUTIONS],
    ['handOf', HANDS_OF],
    ['basis', TARGET_BASES],
    ['tieBreak', TIE_BREAKS],
    ['exchange.fault', [...FILE_FAULTS, ...ROW_FAULTS, ...ROW_DOUBTS]],
  ];
  for (const [family, ids] of families) {
    it(`has a word for every ${family}`, () => {
      for (const id of ids) expect(WORDS, `${family}.${id}`).to.have.property(`${family}.${id}`);
    });
  }

  it('has no word that nothing says', () => {
    const source = filesIn('src')
      // The tables of words say nothing by themselves.
      .filter((f) => !f.includes('/words/') || /\/(doubts|say|say-people)\.ts$/.test(f))
      .map((f) => readFileSync(f, 'utf8'))
      .join('\n');
    // A key is said whole, or built from a family: `kind.${…}`, `remedy.for.${…}`.
    const families = [...source.matchAll(/[`'"]([a-zA-Z.]+)\$\{/g)].map((m) => m[1]!);
    // A family may also be named by a value of its own: `'checkVerdict'`.
    const isNamed = (key: string) =>
      source.includes(`'${key.split('.')[0]}'`) && source.includes('`${kind}.${verdict}`');
    const unused = Object.keys(WORDS).filter(
      (key) =>
        !isNamed(key) &&
        !source.includes(`'${key}'`) &&
        !source.includes(`\`${key}`) &&
        !families.some((f) => key.startsWith(f)),
    );
    expect(unused).to.deep.equal([]);
  });
});

describe('saying a value', () => {
  const inInches = { ...DEFAULT_READING, length: 'in', mass: 'lb' } as const;

  it('follows the reader’s units', () => {
    const m: Message = { key: 'check.seatDepth', values: { value: { mm: 444.5 } } };
    expect(say(m, DEFAULT_READING)).to.equal('445 mm from backrest to front edge');
    expect(say(m, { ...DEFAULT_READING, length: 'cm' })).to.equal('44.5 cm from backrest to front edge');
    expect(say(m, inInches)).to.equal('17 1/2 in from backrest to front edge');
  });

  it('says masses, angles, counts and lists', () => {
    expect(say({ key: 'check.ratedLoad.notMeasured', values: { rated: { kg: 120 } } }, inInches)).to.include(
      '264.6 lb',
    );
    expect(say({ key: 'check.backAngle', values: { value: { deg: -2.5 } } }, DEFAULT_READING)).to.equal(
      'Backrest −2.5° from upright',
    );
    const missing = { words: ['dimension.stature', 'dimension.bodyMass', 'dimension.shoeHeel'] };
    expect(say({ key: 'reason.notMeasured', values: { missing } }, DEFAULT_READING)).to.equal(
      'Not calculated: stature, body mass and shoe heel not measured.',
    );
  });

  it('says turns as a hand counts them', () => {
    expect([0, 0.125, 0.5, 1, 1.25, 1.375, 2].map(sayTurns)).to.deep.equal([
      '0 turns',
      '1/8 turn',
      '1/2 turn',
      '1 turn',
      '1 1/4 turns',
      '1 3/8 turns',
      '2 turns',
    ]);
  });

  it('shows a key that nobody worded, so that the gap is seen', () =>
    expect(t('no.such.key')).to.equal('no.such.key'));

  it('gives a price in the currency of the practice', () => {
    expect(sayPrice(455, DEFAULT_READING)).to.equal('£455');
    expect(sayPrice(12.5, DEFAULT_READING)).to.equal('£12.50');
    expect(sayPrice(1250, { ...DEFAULT_READING, locale: 'de-DE', currency: 'EUR' })).to.equal('1.250\u00a0€');
  });

  it('writes a date as the reader does', () => {
    expect(sayDate('2026-11-05', DEFAULT_READING)).to.equal('5 Nov 2026');
    expect(sayDate('2026-11-05T23:30:00.000Z', DEFAULT_READING)).to.equal('5 Nov 2026');
  });
});
