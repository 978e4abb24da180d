import type { Role, Scene } from '../core/scene';
import styles from './drawing.module.css';
import { pathOf, type Place2d } from './shapes';

const CLASSES: Record<Role, string> = {
  sitter: styles.sitter ?? '',
  sitterLine: styles.sitterLine ?? '',
  seat: styles.seat ?? '',
  seatLine: styles.seatLine ?? '',
  place: styles.place ?? '',
  floor: styles.floor ?? '',
  remedy: styles.remedy ?? '',
  leader: styles.leader ?? '',
};

/** A scene painted into the SVG around it. */
export function ScenePaths({ scene, place }: { readonly scene: Scene; readonly place: Place2d }) {
  return (
    <g>
      {scene.primitives.map(({ id, role, shape }) => (
        <path
          key={id}
          d={pathOf(shape, place)}
          className={CLASSES[role]}
          strokeLinejoin="round"
          strokeLinecap="round"
          data-part={id}
        />
      ))}
    </g>
  );
}
