export { Board } from './Board';
export { TrackPaths } from './TrackPaths';
export { View } from './View';
