/** Words of the walk at the seat. */
export const WALK_WORDS = {
  'walk.because': 'Check again, because this has changed since: {list}',
  'walk.heelsHang': 'The heels hang {by} for now; {kind} brings them down',
  'walk.heelsHang.stay': 'The heels hang {by}',
  'walk.heelsStand': 'The heels stand on the floor now',
} as const;
