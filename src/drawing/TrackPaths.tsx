import type { Track } from '../core/scene';
import styles from './drawing.module.css';

const LINE_Y = 26;
const BAND_TOP = 6;
const BAND_HEIGHT = 13;

/** One adjustment to scale: travel with end stops and notches, band and aim above it, the knob on it. */
export function TrackPaths({ track }: { readonly track: Track }) {
  const length = track.shown.hi - track.shown.lo || 1;
  const at = (value: number): string => `${(((value - track.shown.lo) / length) * 100).toFixed(2)}%`;
  const wide = (lo: number, hi: number): string => `${(((hi - lo) / length) * 100).toFixed(2)}%`;
  const { band, aim } = track;
  const aimAt = aim && (aim.lo + aim.hi) / 2;
  const edge = band && (track.at > band.hi ? band.hi : track.at < band.lo ? band.lo : null);
  return (
    <svg className={styles.track} aria-hidden="true">
      {band && (
        <rect
          x={at(band.lo)}
          width={wide(band.lo, band.hi)}
          y={BAND_TOP}
          height={BAND_HEIGHT}
          className={styles.band}
        />
      )}
      {aim && aimAt !== null && aim.hi > aim.lo && (
        <rect
          x={at(aim.lo)}
          width={wide(aim.lo, aim.hi)}
          y={BAND_TOP + 4}
          height={BAND_HEIGHT - 8}
          className={styles.aim}
        />
      )}
      {aim && aimAt !== null && aim.hi === aim.lo && (
        <svg x={at(aimAt)} overflow="visible">
          <path
            d={`M0 ${BAND_TOP - 3}l4 ${BAND_HEIGHT / 2 + 3}l-4 ${BAND_HEIGHT / 2 + 3}l-4 ${-BAND_HEIGHT / 2 - 3}Z`}
            className={styles.aim}
          />
        </svg>
      )}
      {aim && aimAt !== null && track.doubt !== null && (
        <line
          x1={at(aimAt - track.doubt)}
          x2={at(aimAt + track.doubt)}
          y1={BAND_TOP + BAND_HEIGHT / 2}
          y2={BAND_TOP + BAND_HEIGHT / 2}
          className={styles.doubt}
        />
      )}
      <line
        x1={at(track.range.lo)}
        x2={at(track.range.hi)}
        y1={LINE_Y}
        y2={LINE_Y}
        className={styles.travel}
      />
      {[track.range.lo, track.range.hi].map((end, i) => (
        <line key={i} x1={at(end)} x2={at(end)} y1={LINE_Y - 6} y2={LINE_Y + 6} className={styles.end} />
      ))}
      {track.notches.map((value) => (
        <line
          key={value}
          x1={at(value)}
          x2={at(value)}
          y1={LINE_Y}
          y2={LINE_Y + 6}
          className={styles.notch}
        />
      ))}
      {edge !== null && (
        <line x1={at(track.at)} x2={at(edge)} y1={LINE_Y - 4} y2={LINE_Y - 4} className={styles.leftOver} />
      )}
      {track.best !== track.at && (
        <svg x={at(track.best)} overflow="visible">
          <circle cx={0} cy={LINE_Y} r={6} className={styles.best} />
        </svg>
      )}
      <svg x={at(track.at)} overflow="visible">
        <path
          d={`M-7 ${LINE_Y + 12}V${LINE_Y - 2}L0 ${LINE_Y - 9}L7 ${LINE_Y - 2}V${LINE_Y + 12}Z`}
          className={styles.knob}
        />
      </svg>
    </svg>
  );
}
