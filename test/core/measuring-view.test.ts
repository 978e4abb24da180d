import { expect } from 'chai';
import { DIMENSION_IDS, type DimensionId } from '../../src/core/body';
import { drawnSizes } from '../../src/core/scene/measuring-body';
import { measuringView } from '../../src/core/scene/measuring-view';
import { FULL } from '../support/inputs';

const full = (id: DimensionId) => FULL[id];
const lengthOf = ({ from, to }: { from: { x: number; z: number }; to: { x: number; z: number } }) =>
  Math.hypot(to.x - from.x, to.z - from.z);

describe('where a measure is taken', () => {
  for (const id of DIMENSION_IDS.filter((d) => d !== 'bodyMass')) {
    it(`shows a tape as long as the measure: ${id}`, () => {
      for (const size of [drawnSizes(full), drawnSizes((d) => (d === id ? FULL[d] * 1.2 : FULL[d]))]) {
        const { tape, primitives, bounds } = measuringView(id, size);
        expect(lengthOf(tape!)).to.be.closeTo(size(id), 0.5);
        const isUpright = Math.abs(tape!.from.x - tape!.to.x) < 1e-9;
        expect(isUpright || Math.abs(tape!.from.z - tape!.to.z) < 1e-9).to.equal(true);
        const dots = primitives.filter((p) => p.id.startsWith('landmark-'));
        expect(dots.map((d) => d.id)).to.deep.equal(['landmark-from', 'landmark-to']);
        for (const end of [tape!.from, tape!.to]) {
          expect(end.x).to.be.within(bounds.lowX, bounds.highX);
          expect(end.z).to.be.within(bounds.lowZ, bounds.highZ);
        }
      }
    });
  }

  it('shows somebody on a scale for the mass', () => {
    const scene = measuringView('bodyMass', drawnSizes(full));
    expect(scene.tape).to.equal(undefined);
    expect(scene.primitives.map((p) => p.id)).to.include('scale');
  });

  it('draws everybody, known or not, in finite numbers', () => {
    for (const stature of [900, undefined, 2200])
      for (const id of DIMENSION_IDS) {
        const size = drawnSizes((d) => (d === 'stature' ? stature : undefined));
        const { bounds } = measuringView(id, size);
        for (const end of Object.values(bounds)) expect(Number.isFinite(end), id).to.equal(true);
        expect(bounds.highX).to.be.greaterThan(bounds.lowX);
      }
  });

  it('follows the sitter’s own proportions', () => {
    const short = measuringView(
      'stature',
      drawnSizes((d) => (d === 'sittingHeight' ? 850 : FULL[d])),
    );
    const long = measuringView(
      'stature',
      drawnSizes((d) => (d === 'sittingHeight' ? 950 : FULL[d])),
    );
    const hip = (scene: typeof short) => {
      const thigh = scene.primitives.find((p) => p.id === 'thigh')!.shape;
      return thigh.type === 'limb' ? thigh.to.z : NaN;
    };
    expect(hip(short) - hip(long)).to.be.closeTo(100, 1e-9);
  });
});
