/** Thrown where a page needs what only those who have signed in may see. */
export class SignInNeeded extends Error {
  constructor() {
    super('sign in first');
  }
}
