import type { Scene } from '../core/scene';
import type { Reading } from '../words';
import { Drawing } from './Drawing';
import { viewMarks } from './scene-marks';

const WIDTH = 380;
const HEIGHT = 400;

/** One view alone, to its own scale. */
export function View({
  id,
  name,
  scene,
  reading,
}: {
  readonly id: string;
  readonly name: string;
  readonly scene: Scene;
  readonly reading: Reading;
}) {
  return (
    <Drawing
      id={id}
      name={name}
      width={WIDTH}
      height={HEIGHT}
      marks={viewMarks(scene, WIDTH, HEIGHT, reading)}
      alternative={scene.alternative}
      reading={reading}
    />
  );
}
