import type { FilePerson } from '../../src/core/exchange';
import { ImportPartSchema, type ImportPart } from '../../src/contract/people-file';
import type { PeopleFound } from '../../src/workers/people';

/** Somebody in a file of whom only the name is known. */
export const FILE_PERSON: FilePerson = {
  name: 'Runa Holm',
  isNickname: false,
  birthDate: null,
  sex: null,
  tableId: null,
  consentOn: null,
  consentBy: null,
  sessions: [],
  readings: [],
};

/** The parts of a file as the server takes them. */
export const sentParts = (found: PeopleFound, file = 'crew.csv'): Promise<ImportPart[]> =>
  Promise.all(
    found.parts.map(async ({ people }, number) =>
      ImportPartSchema.parse({ file, number, people: JSON.parse(await people.text()) as unknown }),
    ),
  );
