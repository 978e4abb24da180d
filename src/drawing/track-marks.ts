/** One adjustment laid out to scale at a given width: travel with end stops and notches, band and aim, the knob. */
import type { Track } from '../core/scene';
import { path, tenth, type Mark } from './marks';

const LINE_Y = 26;
const BAND_TOP = 6;
const BAND_HEIGHT = 13;
export const TRACK_HEIGHT = 38;

export function trackMarks(track: Track, width: number): Mark[] {
  const length = track.shown.hi - track.shown.lo || 1;
  const at = (value: number): number => ((value - track.shown.lo) / length) * width;
  const x = (value: number): string => tenth(at(value));
  const { band, aim } = track;
  const aimAt = aim && (aim.lo + aim.hi) / 2;
  const edge = band && (track.at > band.hi ? band.hi : track.at < band.lo ? band.lo : null);
  const box = (lo: number, hi: number, top: number, height: number): string =>
    `M${x(lo)} ${top}H${x(hi)}v${height}H${x(lo)}Z`;
  const vertical = (value: number, from: number, to: number): string => `M${x(value)} ${from}V${to}`;
  const marks: Mark[] = [];
  if (band) marks.push(path(box(band.lo, band.hi, BAND_TOP, BAND_HEIGHT), 'band'));
  if (aim && aimAt !== null)
    marks.push(
      aim.hi > aim.lo
        ? path(box(aim.lo, aim.hi, BAND_TOP + 4, BAND_HEIGHT - 8), 'aim')
        : path(
            `M${x(aimAt)} ${BAND_TOP - 3}l4 ${BAND_HEIGHT / 2 + 3}l-4 ${BAND_HEIGHT / 2 + 3}l-4 ${-BAND_HEIGHT / 2 - 3}Z`,
            'aim',
          ),
    );
  if (aimAt !== null && track.doubt !== null) {
    const y = BAND_TOP + BAND_HEIGHT / 2;
    marks.push(path(`M${x(aimAt - track.doubt)} ${y}H${x(aimAt + track.doubt)}`, 'doubt'));
  }
  marks.push(
    path(`M${x(track.range.lo)} ${LINE_Y}H${x(track.range.hi)}`, 'travel'),
    path(
      [track.range.lo, track.range.hi].map((end) => vertical(end, LINE_Y - 6, LINE_Y + 6)).join(''),
      'travel',
    ),
  );
  if (track.notches.length > 0)
    marks.push(path(track.notches.map((n) => vertical(n, LINE_Y, LINE_Y + 6)).join(''), 'notch'));
  if (edge !== null) marks.push(path(`M${x(track.at)} ${LINE_Y - 4}H${x(edge)}`, 'leftOver'));
  if (track.best !== track.at)
    marks.push(path(`M${tenth(at(track.best) - 6)} ${LINE_Y}a6 6 0 1 0 12 0a6 6 0 1 0 -12 0Z`, 'best'));
  marks.push(
    path(`M${tenth(at(track.at) - 7)} ${LINE_Y + 12}V${LINE_Y - 2}l7 -7l7 7V${LINE_Y + 12}Z`, 'knob'),
  );
  return marks;
}
