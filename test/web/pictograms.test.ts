/** Pictograms as they come out on paper: black on white, 16 mm. */
import { expect } from 'chai';
import { PICTOGRAMS, PICTOGRAM_FIELD, PICTOGRAM_PEN } from '../../src/drawing/pictograms';
import { screens } from '../support/screens';

/** 16 mm at 96 dots to the inch. */
const SIDE = 60;
/** Of the ink of two pictures together so much lies in only one of them at least. */
const LEAST_APART = 0.35;

describe('pictograms', function () {
  this.timeout(60_000);
  const on = screens();

  it('are told apart in black and white at 16 mm', async () => {
    const drawn = Object.entries(PICTOGRAMS);
    await on.user.goTo('/');
    const inked = await on.user.page.evaluate(
      (all, { side, field, pen }) =>
        all.map(([, { line, solid }]) => {
          const canvas = new OffscreenCanvas(side, side);
          const c = canvas.getContext('2d')!;
          c.fillStyle = 'white';
          c.fillRect(0, 0, side, side);
          c.scale(side / field, side / field);
          c.lineWidth = pen;
          c.lineCap = 'round';
          c.lineJoin = 'round';
          c.fillStyle = 'black';
          c.stroke(new Path2D(line));
          if (solid) c.fill(new Path2D(solid));
          const { data } = c.getImageData(0, 0, side, side);
          return Array.from({ length: side * side }, (_, i) => (data[4 * i]! < 128 ? 1 : 0));
        }),
      drawn,
      { side: SIDE, field: PICTOGRAM_FIELD, pen: PICTOGRAM_PEN },
    );
    const near: string[] = [];
    for (const [i, [name]] of drawn.entries()) {
      const ink = inked[i]!.reduce<number>((sum, x) => sum + x, 0);
      // A tenth to a half of the field: to be seen, and not a blot.
      expect(ink / SIDE ** 2, name).to.be.within(0.05, 0.5);
      for (const [j, [other]] of drawn.entries()) {
        if (j <= i) continue;
        let [both, either] = [0, 0];
        for (let k = 0; k < SIDE ** 2; k++) {
          both += inked[i]![k]! & inked[j]![k]!;
          either += inked[i]![k]! | inked[j]![k]!;
        }
        if (1 - both / either < LEAST_APART) near.push(`${name} and ${other}`);
      }
    }
    expect(near).to.deep.equal([]);
  });
});
