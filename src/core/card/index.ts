export { cardHeader, cardOf, type Card, type CardHeader, type CardRow } from './card';
export { controlWords, saysValue } from './control-words';
export { CARD_FORMS, cardFormOf, type CardForm } from './forms';
export { MOST_LEVERS, sharedLevers, type SharedLevers } from './levers';
export { isLifted } from './lifted';
export { movementOf } from './movement';
export { postureRows, type PostureRow, type PostureSettings } from './postures';
