/** Thrown where the file of the database is no longer where it was opened: what is written would be lost. */
export class StorageGone extends Error {
  constructor(file: string) {
    super(`the database file is gone: ${file}`);
  }
}
