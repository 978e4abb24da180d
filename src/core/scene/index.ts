export type { Bounds, Primitive, Role, Scene, Shape } from './primitives';
export { spreadApart } from './declutter';
export { sideView } from './side-view';
export { ruleOf, type Pair, type Rule, type Tag } from './rule';
export { trackOf, type Track } from './track';
export { cardHeader, cardOf, controlWords, isLifted, type Card, type CardHeader, type CardRow } from './card';
