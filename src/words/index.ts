export { WORDS, type WordKey } from './table';
export { sayDoubt, sayTableFault } from './bodies';
export {
  DEFAULT_READING,
  isWordKey,
  say,
  sayClock,
  sayDate,
  sayInUnit,
  sayLength,
  sayTurns,
  sayValue,
  word,
  type Reading,
} from './say';
