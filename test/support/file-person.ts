import type { FilePerson } from '../../src/core/exchange';

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
