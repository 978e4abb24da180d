export { WORDS, type WordKey } from './table';
export { sayCaseDoubt, sayDoubt, sayTableFault } from './doubts';
export {
  DEFAULT_READING,
  isWordKey,
  say,
  sayClock,
  sayDate,
  sayPrice,
  sayInUnit,
  sayLength,
  sayTurns,
  sayValue,
  sayWith,
  word,
  type Reading,
} from './say';
