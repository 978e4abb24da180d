import { useElementSize } from '@mantine/hooks';
import type { Track } from '../core/scene';
import styles from './drawing.module.css';
import type { Source } from './follow';
import { PaintedMarks } from './PaintedMarks';
import { TRACK_HEIGHT, trackMarks } from './track-marks';

/** A track is laid out for its width on the screen; until that is known, for a usual one. */
const USUAL_WIDTH = 480;

/** One adjustment to scale. */
export function TrackPaths({ source }: { readonly source: Source<Track> }) {
  const { ref, width } = useElementSize<HTMLDivElement>();
  const across = width > 0 ? width : USUAL_WIDTH;
  return (
    <div ref={ref}>
      <svg
        className={styles.track}
        viewBox={`0 0 ${across} ${TRACK_HEIGHT}`}
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <PaintedMarks source={source} marks={(track) => trackMarks(track, across)} />
      </svg>
    </div>
  );
}
