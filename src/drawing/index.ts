export { Board } from './Board';
export { TrackPaths } from './TrackPaths';
