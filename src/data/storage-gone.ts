const NAME = 'StorageGone';

/** Thrown where the file of the database is no longer where it was opened: what is written would be lost. */
export class StorageGone extends Error {
  override readonly name = NAME;

  constructor(file: string) {
    super(`the database file is gone: ${file}`);
  }
}

/** Returns whether that is what was thrown; by its name, for the pages and the server around them are two bundles. */
export const isStorageGone = (error: unknown): boolean => error instanceof Error && error.name === NAME;
