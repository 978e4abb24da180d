export { cardHeader, cardOf, type Card, type CardHeader, type CardRow } from './card';
export { controlWords, saysValue } from './control-words';
export { isLifted } from './lifted';
export { postureRows, type PostureRow, type PostureSettings } from './postures';
