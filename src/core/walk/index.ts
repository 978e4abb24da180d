export { COUPLINGS, HARNESS, causesOf, type Touched } from './couplings';
export { neutralOf } from './neutral';
export { stepWords, type StepWords } from './saying';
export { walkSteps, type WalkStep } from './steps';
export { WALK_ANSWERS, walkOf, type Walk, type WalkAnswer, type WalkEvent } from './walk';
