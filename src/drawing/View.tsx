import type { Scene } from '../core/scene';
import { say, type Reading } from '../words';
import styles from './drawing.module.css';
import { Marks } from './Marks';
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
    <svg
      className={styles.view}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={name}
      aria-describedby={`${id}-words`}
    >
      <desc id={`${id}-words`}>{scene.alternative.map((m) => say(m, reading)).join(' ')}</desc>
      <Marks marks={viewMarks(scene, WIDTH, HEIGHT, reading)} />
    </svg>
  );
}
