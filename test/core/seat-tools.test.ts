import { expect } from 'chai';
import { partPoints, seatFrontView, seatPlanView, seatSideView } from '../../src/core/scene';
import {
  ADJUSTMENT_KIND_IDS,
  ADJUSTMENT_KINDS,
  SEAT_PART_IDS,
  SEAT_PARTS,
  compareSeats,
  gapCost,
  gapsOf,
  likelySlip,
  offeredBySome,
  orientationOf,
  partOf,
  schoolSizesOf,
  setsFor,
  slipOf,
  tipsForward,
  type SeatModel,
} from '../../src/core/seat';
import { jsonTrouble } from '../../src/core/exchange/json-trouble';
import { DEMO_SEATS } from '../../src/demo/seats';
import { DEFAULT_READING, say } from '../../src/words';
import '../../src/words/pages';

const seats: SeatModel[] = DEMO_SEATS.map((seat, i) => ({
  ...seat,
  id: `01990000-0000-7000-8000-0000000000${String(i + 10)}`,
}));
const named = (start: string): SeatModel => seats.find((s) => s.name.startsWith(start))!;

describe('parts of a seat', () => {
  it('hold every adjustment of a seat once', () => {
    const all = SEAT_PART_IDS.flatMap((id) => [...SEAT_PARTS[id].kinds] as string[]);
    expect([...all].sort()).to.deep.equal(
      ADJUSTMENT_KIND_IDS.filter((kind) => ADJUSTMENT_KINDS[kind].belongsTo === 'seat').sort(),
    );
    expect(partOf('armPivot')).to.equal('arms');
  });
});

describe('what is missing of a seat', () => {
  it('is listed by how much it matters, safety first', () => {
    const bare: SeatModel = {
      ...named('Sandwick'),
      adjustments: named('Sandwick').adjustments.slice(0, 1),
      seatWidthMm: null,
    };
    const gaps = gapsOf(bare);
    expect(gaps[0]).to.equal('ratedLoad');
    const costs = gaps.map(gapCost);
    const order = ['safety', 'fit', 'handling'];
    expect(costs).to.deep.equal([...costs].sort((a, b) => order.indexOf(a) - order.indexOf(b)));
    expect(gaps).to.include.members(['seatDepth', 'seatWidth', 'backAngle', 'lumbarApex', 'directions']);
  });

  it('closes with what is described', () => {
    const whole = named('Gullstone');
    expect(gapsOf(whole)).not.to.include('seatDepth');
    expect(gapsOf({ ...whole, ratedLoadKg: null })).to.include('ratedLoad');
    expect(gapsOf({ ...whole, arms: null })).not.to.include.members(['padSize']);
  });
});

describe('a slip of a number', () => {
  it('is a unit, a digit or a sign, and the likeliest one', () => {
    expect(slipOf('seatHeight', 48)).to.deep.equal({ slip: 'centimetres', meant: 480 });
    expect(slipOf('seatHeight', 18)).to.deep.equal({ slip: 'inches', meant: 457 });
    expect(slipOf('seatHeight', 4800)).to.deep.equal({ slip: 'tenfold', meant: 480 });
    expect(slipOf('forwardTilt', 8)).to.deep.equal({ slip: 'sign', meant: -8 });
  });

  it('is none where a number can be, and none where nothing explains it', () => {
    expect(slipOf('seatHeight', 430)).to.equal(null);
    expect(likelySlip(1e6, [150, 1000], [400, 530])).to.equal(null);
    expect(likelySlip(NaN, [150, 1000], null)).to.equal(null);
  });
});

describe('a seat drawn by itself', () => {
  for (const seat of seats)
    it(`is drawn to scale within its paper: ${seat.name}`, () => {
      for (const view of [seatSideView(seat), seatFrontView(seat), seatPlanView(seat)]) {
        const { lowX, highX, lowZ, highZ } = view.bounds;
        expect([lowX, highX, lowZ, highZ].every(Number.isFinite)).to.equal(true);
        for (const { shape } of view.primitives) {
          const points =
            shape.type === 'polyline'
              ? shape.points
              : shape.type === 'circle'
                ? [shape.at]
                : [shape.from, shape.to];
          for (const { x, z } of points) {
            expect(x).to.be.within(lowX, highX);
            expect(z).to.be.within(lowZ, highZ);
          }
        }
        for (const m of view.alternative) expect(say(m, DEFAULT_READING)).not.to.match(/\{|alt\./);
      }
      for (const { x, z } of Object.values(partPoints(seat)))
        expect([x, z].every(Number.isFinite)).to.equal(true);
    });

  it('shows its lowest and highest pan at these heights', () => {
    const seat = named('Gullstone');
    const side = seatSideView(seat);
    const height = (id: string) => {
      const { shape } = side.primitives.find((p) => p.id === id)!;
      return shape.type === 'polyline' ? Math.round(shape.points[1]!.z) : NaN;
    };
    // Level where it stands in the middle of its tilt, or tipped by it: both ends alike.
    expect(height('pan-highest') - height('pan-lowest')).to.be.closeTo(530 - 400, 10);
  });

  it('writes no breadth that nobody described', () => {
    expect(
      seatFrontView({ ...named('Gullstone'), seatWidthMm: null }).dimensions.map((d) => d.id),
    ).not.to.include('seatWidth');
    expect(seatFrontView(named('Gullstone')).dimensions.map((d) => [d.id, d.mm])).to.deep.include([
      'seatWidth',
      500,
    ]);
  });
});

describe('seats beside each other', () => {
  const pair = [named('Gullstone'), named('Kittiwake')];

  it('stand on one scale, with every adjustment that any has', () => {
    const rows = compareSeats(pair);
    const height = rows.find((r) => r.kind === 'seatHeight')!;
    expect([height.from, height.to]).to.deep.equal([400, 760]);
    expect(height.ranges.map((r) => [r!.lowest, r!.highest])).to.deep.equal([
      [400, 530],
      [560, 760],
    ]);
    const kinds = new Set(pair.flatMap((s) => s.adjustments.map((a) => a.kind)));
    expect(new Set(rows.map((r) => r.kind))).to.deep.equal(kinds);
  });

  it('say how they differ, in words with their numbers', () => {
    const words = compareSeats(pair)
      .find((r) => r.kind === 'seatHeight')!
      .differences.map((m) => say(m, DEFAULT_READING));
    expect(words).to.deep.equal([
      'Gullstone task chair starts 160 mm below the next.',
      'Kittiwake high counter chair ends 230 mm above the next.',
    ]);
    const ring = compareSeats(pair).find((r) => r.kind === 'footRing')!;
    expect(say(ring.differences[0]!, DEFAULT_READING)).to.equal('Not on: Gullstone task chair.');
  });

  it('say nothing of what is the same', () => {
    const twin = { ...pair[0]!, id: pair[1]!.id, name: 'Twin' };
    expect(compareSeats([pair[0]!, twin]).every((r) => r.differences.length === 0)).to.equal(true);
    expect(offeredBySome([pair[0]!, twin])).to.deep.equal([]);
  });

  it('keep counts of different units off one scale', () => {
    const [a] = pair as [SeatModel];
    const turned: SeatModel = {
      ...a,
      name: 'Other',
      adjustments: a.adjustments.map((x) =>
        x.kind === 'tiltTension' ? { ...x, unit: x.unit === 'turn' ? 'step' : 'turn' } : x,
      ),
    };
    const row = compareSeats([a, turned]).find((r) => r.kind === 'tiltTension');
    if (row) expect(row.ranges[1]).to.equal(null);
  });
});

describe('a seat that tips forward', () => {
  it('is one that slopes, tips by itself, or can be set so', () => {
    expect(tipsForward(named('Marram'))).to.equal(true);
    expect(tipsForward(named('Turnstone'))).to.equal(true);
    expect(tipsForward(named('Sanderling'))).to.equal(true);
    expect(tipsForward(named('Sandwick'))).to.equal(false);
  });
});

describe('published sets of dimensions', () => {
  it('speak of the classes that they are about', () => {
    expect(setsFor({ seatClass: 'office' })).to.deep.equal(['en1335', 'hfes100']);
    expect(setsFor({ seatClass: 'operator' })).to.deep.equal([]);
  });

  it('leave open what nobody described', () => {
    const rows = orientationOf({ ...named('Gullstone'), seatWidthMm: null }, 'en1335');
    expect(rows.find((r) => r.of === 'seatWidth')).to.deep.include({ own: null, meets: null });
  });

  it('find the school sizes that a child’s chair reaches', () => {
    expect(schoolSizesOf(named('Puffling')).map((s) => s.mark)).to.deep.equal([2, 3, 4]);
  });
});

describe('JSON that hides something', () => {
  it('is found: a key twice, however it is written, with the item it stands in', () => {
    expect(jsonTrouble('{"a":1,"b":{"a":2}}')).to.equal(null);
    expect(jsonTrouble('{"a":1,"a":2}')).to.deep.equal({ reason: 'keyTwice', value: 'a', item: 0 });
    expect(jsonTrouble('{"a":1,"\\u0061":2}')?.reason).to.equal('keyTwice');
    expect(jsonTrouble('{"seats":[{"id":1},{"id":1,"id":2}]}')).to.deep.equal({
      reason: 'keyTwice',
      value: 'id',
      item: 2,
    });
    expect(jsonTrouble('{"a":"{\\"a\\":1,\\"a\\":2}"}')).to.equal(null);
  });

  it('is found: nesting without end', () => {
    expect(jsonTrouble('['.repeat(40) + ']'.repeat(40))?.reason).to.equal('tooDeep');
  });
});
