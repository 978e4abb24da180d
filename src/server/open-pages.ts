/** Pages that nobody needs to sign in for. */
export const SIGN_IN = '/sign-in';

/** Where the label on a seat leads: a page of its own, whatever stands in its place. */
const LABEL = /^\/t\/[A-Za-z0-9_-]{1,64}$/;
/** What a private link opens: one card. */
const LINKED_CARD = /^\/c\/[A-Za-z0-9_-]{1,64}$/;

/** Returns whether a visitor may see the page at a path in its plain form. */
export const isOpenPage = (path: string): boolean =>
  path === SIGN_IN || LABEL.test(path) || LINKED_CARD.test(path);
