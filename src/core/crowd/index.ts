export { countBetween, type Counted, type Limits } from './between';
