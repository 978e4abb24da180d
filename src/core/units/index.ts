export { RAD_PER_DEG, acosDeg, asinDeg, atan2Deg, cosDeg, formatAngle, sinDeg, tanDeg } from './angle';
export {
  LENGTH_UNITS,
  MM_PER_INCH,
  formatLength,
  formatLengthNumber,
  parseLength,
  type LengthUnit,
} from './length';
export { KG_PER_POUND, formatMass, formatMassNumber, parseMass, type MassUnit } from './mass';
export { parseDecimal, tidy } from './number';
export { type ParseReason, type Parsed } from './parsed';
