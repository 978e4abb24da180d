export { isWordKey, t, type WordKey } from './messages';
export { sayCaseDoubt, sayDoubt, sayTableFault } from './doubts';
export {
  DEFAULT_READING,
  say,
  sayClock,
  sayDate,
  sayPrice,
  sayRange,
  sayInUnit,
  sayLength,
  sayTurns,
  sayValue,
  sayWith,
  word,
  type Reading,
} from './say';
