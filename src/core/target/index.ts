export {
  HIGH,
  LOW,
  TARGET_BASES,
  aimOf,
  assumed,
  bandOf,
  hardOf,
  leftOver,
  outsideBy,
  practice,
  type Interval,
  type Target,
  type TargetBasis,
} from './target';
export {
  FINGER_COUNTS,
  HANDS_OF,
  ADULT_LENGTH_MM,
  USUAL_FINGERS_MM,
  roomByFingers,
  roomForChild,
  type Fingers,
} from './fingers';
