/** Readings of one value of a seat: what they come to, how sure that is, and where it goes. Nothing here knows of a screen. */
import { MOST_TAKES, apartBy, settleReadings, type SettledTakes } from '../../../core/measuring';
import type { Quantity } from '../../../core/quantity';
import {
  SURVEY_SD,
  adjustmentUnit,
  surveyTolerance,
  type SurveyUnit,
} from '../../../core/scene/survey-questions';
import type { Adjustment, SeatModel, Travel } from '../../../core/seat';
import { parsedIn, typedIn } from '../../../ui/in-unit';
import { word, type Reading } from '../../../words';
import type { SurveyStep } from './survey';
import type { SeatText, TakesText } from '../seat-text';

/** Whether a value is worth a second reading: what a tape or a level shows. */
export const isRepeated = (unit: SurveyUnit): boolean => unit === 'mm' || unit === 'deg';

/** The readings of a question as typed: the value alone where nobody took another. */
export function takesOf(text: SeatText, { path, valueOf }: SurveyStep): readonly string[] {
  const { takes = {} } = text as Partial<SeatText>;
  const kept = takes[path]?.typed;
  if (kept && kept.length > 1) return kept;
  const value = valueOf(text);
  return value === '' ? [] : [value];
}

/** What typed readings come to; null while one of them cannot be read. */
export function settledOf(typed: readonly string[], unit: SurveyUnit, reading: Reading): SettledTakes | null {
  const asked = adjustmentUnit(unit);
  if (asked === null) return null;
  const read = typed.map((one) => parsedIn(one, asked, reading));
  if (read.some((one) => one.fault !== null)) return null;
  const values = read.map((one) => one.value);
  const settled = settleReadings(values, SURVEY_SD[unit]);
  // Two that lie far apart without a third are as unsure as they lie apart.
  return settled?.how === 'meanOfTwo'
    ? { ...settled, spread: Math.max(settled.spread, (apartBy(values) ?? 0) / 2) }
    : settled;
}

/** Whether a further reading is wanted: the first two differ by more than one hand does. */
export function wantsThird(typed: readonly string[], unit: SurveyUnit, reading: Reading): boolean {
  const asked = adjustmentUnit(unit);
  if (asked === null || typed.length !== MOST_TAKES - 1) return false;
  const [first, second] = typed.map((one) => parsedIn(one, asked, reading).value);
  return Math.abs(first! - second!) > surveyTolerance(unit);
}

interface Who {
  readonly by: string | null;
  readonly at: string;
}

/** The form with other readings of a question; blank ones at the end are none. */
export function withTakes(
  text: SeatText,
  step: SurveyStep,
  typed: readonly string[],
  who: Who,
  reading: Reading,
): Partial<SeatText> {
  const { path, unit } = step;
  const given = typed.filter((one, i) => one.trim() !== '' || i === typed.length - 1);
  const whole = given.filter((one) => one.trim() !== '');
  const settled = whole.length > 1 ? settledOf(whole, unit, reading) : null;
  const asked = adjustmentUnit(unit);
  // One that cannot be read stands in the field, so that the fault is said there.
  const value = settled && asked ? typedIn(settled.value, asked, reading) : (given.at(-1) ?? '');
  const takes = { ...text.takes, [path]: { typed: given, ...who } };
  return { ...step.put(text, value), takes };
}

/** As the source of a value. */
const SOURCE = {
  single: 'survey.source.single',
  meanOfTwo: 'survey.source.meanOfTwo',
  medianOfThree: 'survey.source.medianOfThree',
} as const;

/** A value with what its readings tell of it; as it is where they are of another value by now. */
function measured(
  quantity: Quantity,
  takes: TakesText | undefined,
  unit: SurveyUnit,
  reading: Reading,
): Quantity {
  const asked = adjustmentUnit(unit);
  const settled = takes && isRepeated(unit) ? settledOf(takes.typed, unit, reading) : null;
  if (!takes || !settled || asked === null) return quantity;
  // What the field shows of it may be rounded to its unit.
  const shown = (value: number) => typedIn(value, asked, reading);
  if (shown(settled.value) !== shown(quantity.value)) return quantity;
  return {
    value: Math.round(settled.value * 10) / 10,
    basis: 'measured',
    spread: Math.round(settled.spread * 100) / 100,
    source: word(SOURCE[settled.how]),
    takenAt: takes.at,
    takenBy: takes.by,
  };
}

function measuredTravel(travel: Travel, of: (end: 'lowest' | 'highest', q: Quantity) => Quantity): Travel {
  if (travel.type === 'onOff') return travel;
  if (travel.type === 'listed')
    return travel.values.length === 1 ? { ...travel, values: [of('lowest', travel.values[0]!)] } : travel;
  return { ...travel, lowest: of('lowest', travel.lowest), highest: of('highest', travel.highest) };
}

/** The seat with who measured its values, when, and how sure they are, as far as they were measured one by one. */
export function withReadings(seat: SeatModel, text: SeatText, reading: Reading): SeatModel {
  // Drafts of before readings were kept have none.
  const { takes = {} } = text as Partial<SeatText>;
  if (Object.keys(takes).length === 0) return seat;
  const unitOf = ({ unit }: Adjustment): SurveyUnit =>
    unit === 'deg' ? 'deg' : unit === 'mm' ? 'mm' : 'count';
  const plain = (quantity: Quantity | null, path: string) =>
    quantity && measured(quantity, takes[path], 'mm', reading);
  return {
    ...seat,
    seatWidthMm: plain(seat.seatWidthMm, 'width'),
    cushion: { ...seat.cushion, sinkMm: plain(seat.cushion.sinkMm, 'sink') },
    adjustments: seat.adjustments.map((a) => ({
      ...a,
      travel: measuredTravel(a.travel, (end, quantity) =>
        measured(quantity, takes[`adjustments/${a.kind}/${end}`], unitOf(a), reading),
      ),
    })),
  };
}
