export { WORDS, type WordKey } from './table';
export {
  DEFAULT_READING,
  isWordKey,
  say,
  sayDate,
  sayLength,
  sayTurns,
  sayValue,
  word,
  type Reading,
} from './say';
