/**
 * Who was asked on a device today for signs that come before any measuring: a cookie holds it until midnight, so that the
 * server's first paint knows it. What was answered is kept nowhere.
 */
export const ASKED_COOKIE = 'velto-asked';
/** Of so many people a cookie holds the ids. */
const MOST_PEOPLE = 30;

export interface Asked {
  /** Local date of the practice. */
  readonly today: string;
  /** Ids of people. */
  readonly ids: readonly string[];
}

/** Returns who was asked on a day, by what the cookie says; nobody where it says nothing of that day. */
export function askedOn(today: string, cookie: string | undefined): Asked {
  const [day, list = ''] = (cookie ?? '').split(' ');
  return { today, ids: day === today ? list.split(',').filter(Boolean) : [] };
}

/** Returns what the cookie says of them: the last ones, where they are too many. */
export const saidAsked = ({ today, ids }: Asked): string => `${today} ${ids.slice(-MOST_PEOPLE).join(',')}`;
