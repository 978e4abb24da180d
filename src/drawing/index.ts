export { Board, boardPicture } from './Board';
export type { Picture } from './Drawing';
export { derived, usePaint, usePart, writeAttribute, writeText, type Source } from './follow';
export { TrackPaths } from './TrackPaths';
export { View, viewPicture, viewSpot } from './View';
