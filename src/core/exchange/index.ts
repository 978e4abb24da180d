export {
  FILE_FAULTS,
  MOST_FILE_BYTES,
  MOST_PEOPLE,
  PEOPLE_FORMAT,
  PEOPLE_FORMAT_VERSION,
  ROW_DOUBTS,
  ROW_FAULTS,
  shown,
  type FilePerson,
  type FileReading,
  type FileSession,
  type PeopleFault,
  type PeopleFaultReason,
} from './people';
export { TEXT_LIMITS, personDoubts, personFaults, type PersonFault } from './check';
export { PEOPLE_HEAD, PERSON_COLUMNS, columnByHead, columnOf, type PersonColumn } from './columns';
export {
  Twice,
  nothingRead,
  peopleCsvHead,
  peopleCsvRow,
  readPeopleCsv,
  type CsvPerson,
  type PeopleRead,
  type ReadingProgress,
} from './csv';
export { defused, fused, isFormula } from './formula';
