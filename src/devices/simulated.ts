/** Devices that are not there: they make up what a calliper and a scale would say of a body, with noise and slips. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { DIMENSIONS, type DimensionId } from '../core/body';
import { DEVICE_FORMAT, lineOf, type DeviceKind, type DeviceMessage } from './message';

/** One press in so many is a slip: the jaws on a fold of cloth, or not closed. */
const SLIP_IN = 25;
const SLIP_MM = 18;
/** A calliper errs by this share of the repeat tolerance (standard deviation). */
const NOISE_SHARE = 0.35;
const SETTLING_STEPS = 4;

/** Numbers between 0 and 1, the same for the same seed. */
export function seededRandom(seed: number): () => number {
  const random = xoroshiro128plus(seed);
  return () => uniformFloat64(random);
}

/** About normal: the sum of twelve uniform numbers. */
function normal(random: () => number): number {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += random();
  return sum;
}

const message = (device: DeviceKind, value: number, settled: boolean): string => {
  const unit = device === 'scale' ? 'kg' : 'mm';
  const said: DeviceMessage = { velto: DEVICE_FORMAT, device, simulated: true, value, unit, settled };
  return lineOf(said);
};

const tenth = (value: number): number => Math.round(Math.max(0, value) * 10) / 10;

/** The line that a press of the calliper's button sends. @param trueMm what the body measures */
export function calliperPress(dimension: DimensionId, trueMm: number, random: () => number): string {
  const noise = normal(random) * DIMENSIONS[dimension].repeatTolerance * NOISE_SHARE;
  const slip = random() * SLIP_IN < 1 ? SLIP_MM : 0;
  return message('calliper', tenth(trueMm + noise + slip), true);
}

/** The lines that a scale sends while somebody steps on it: it swings, then it comes to rest. */
export function scaleSteps(trueKg: number, random: () => number): string[] {
  const rest = tenth(trueKg + normal(random) * 0.1);
  const swinging = Array.from({ length: SETTLING_STEPS }, (_, i) =>
    message('scale', tenth(rest + ((random() - 0.5) * 6) / (i + 1)), false),
  );
  return [...swinging, message('scale', rest, true)];
}
