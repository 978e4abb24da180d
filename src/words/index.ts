export { isWordKey, t, type WordKey } from './messages';
export { sayCaseDoubt, sayDoubt, sayTableFault } from './doubts';
export { sayMethod, sayMethodAbout, sayStep, sayTable } from './say-built-in';
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
