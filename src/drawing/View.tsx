import type { Scene } from '../core/scene';
import type { Reading } from '../words';
import { Drawing, type Picture } from './Drawing';
import type { Source } from './follow';
import { viewMarks, viewPlace } from './scene-marks';

const WIDTH = 380;
const HEIGHT = 400;

/** One view alone, to its own scale. */
export const viewPicture = (scene: Scene, reading: Reading): Picture => ({
  marks: viewMarks(scene, WIDTH, HEIGHT, reading),
  get alternative() {
    return scene.alternative;
  },
});

/** Where a point of a scene stands in its drawing, as fractions of breadth and height. */
export function viewSpot(scene: Scene, { x, z }: { readonly x: number; readonly z: number }) {
  const place = viewPlace(scene, WIDTH, HEIGHT);
  return { left: place.x(x) / WIDTH, top: place.y(z) / HEIGHT };
}

interface Props {
  readonly id: string;
  readonly name: string;
  readonly source: Source<Picture>;
  readonly atRest: Source<Picture>;
  readonly reading: Reading;
}

export function View(props: Props) {
  return <Drawing width={WIDTH} height={HEIGHT} {...props} />;
}
