import type { Scene } from '../core/scene';
import type { Reading } from '../words';
import { Drawing, type Picture } from './Drawing';
import type { Source } from './follow';
import { VIEW, viewMarks, viewPlace } from './scene-marks';

/** One view alone, to its own scale. */
export const viewPicture = (scene: Scene, reading: Reading): Picture => ({
  marks: viewMarks(scene, VIEW.width, VIEW.height, reading),
  get alternative() {
    return scene.alternative;
  },
});

/** Where a point of a scene stands in its drawing, as fractions of breadth and height. */
export function viewSpot(scene: Scene, { x, z }: { readonly x: number; readonly z: number }) {
  const place = viewPlace(scene, VIEW.width, VIEW.height);
  return { left: place.x(x) / VIEW.width, top: place.y(z) / VIEW.height };
}

interface Props {
  readonly id: string;
  readonly name: string;
  readonly source: Source<Picture>;
  readonly atRest: Source<Picture>;
  readonly reading: Reading;
}

export function View(props: Props) {
  return <Drawing {...VIEW} {...props} />;
}
