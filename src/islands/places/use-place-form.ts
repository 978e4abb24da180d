import { stated } from '../../core/quantity';
import { TASKS, deskOf, type Place, type Task } from '../../core/place';
import { ADJUSTMENT_KINDS, type Adjustment, type Travel } from '../../core/seat';
import { formatLengthNumber, parseLength } from '../../core/units';
import type { PlaceEdit } from '../../contract';
import { sayValue, word, type Reading } from '../../words';

export const DESK_FORMS = ['none', 'fixed', 'slides', 'stops'] as const;
export type DeskForm = (typeof DESK_FORMS)[number];

/** A place as typed: texts until they can be read. */
export interface PlaceText {
  readonly name: string;
  readonly task: Task;
  readonly form: DeskForm;
  readonly height: string;
  readonly lowest: string;
  readonly highest: string;
  readonly stops: string;
  readonly thickness: string;
  readonly keyboard: string;
  readonly notes: string;
}

export type PlaceFaults = Partial<Record<keyof PlaceText, string>>;

const MOST_THICKNESS_MM = 400;
const MOST_KEYBOARD_MM = 100;

function formOf(desk: Adjustment | null): DeskForm {
  if (!desk) return 'none';
  if (desk.travel.type === 'listed') return desk.travel.values.length === 1 ? 'fixed' : 'stops';
  return 'slides';
}

/** The texts of a place, or those of a new one. */
export function textsOf(place: Place | null, reading: Reading): PlaceText {
  const say = (mm: number) => formatLengthNumber(mm, reading.length);
  const desk = deskOf(place);
  const travel = desk?.travel;
  const values = travel?.type === 'listed' ? travel.values.map((q) => say(q.value)) : [];
  return {
    name: place?.name ?? '',
    task: place?.task ?? TASKS[0],
    form: place ? formOf(desk) : 'fixed',
    height: values[0] ?? '',
    lowest: travel && travel.type !== 'listed' ? say(travel.lowest.value) : '',
    highest: travel && travel.type !== 'listed' ? say(travel.highest.value) : '',
    stops: values.join('; '),
    thickness: place ? say(place.deskThicknessMm) : '',
    keyboard: place ? say(place.keyboardThicknessMm) : say(0),
    notes: place?.notes ?? '',
  };
}

interface Read {
  readonly value: number;
  readonly fault: string | null;
}

function readBetween(text: string, low: number, high: number, reading: Reading): Read {
  const parsed = parseLength(text, reading.length);
  if (!parsed.ok) {
    const [first = 0, second = 0] = parsed.readings ?? [];
    const fault = word(`measure.fault.${parsed.reason}`)
      .replace('{first}', sayValue({ mm: first }, reading))
      .replace('{second}', sayValue({ mm: second }, reading));
    return { value: NaN, fault };
  }
  if (low <= parsed.value && parsed.value <= high) return { value: parsed.value, fault: null };
  const fault = word('measure.fault.range')
    .replace('{low}', sayValue({ mm: low }, reading))
    .replace('{high}', sayValue({ mm: high }, reading));
  return { value: parsed.value, fault };
}

const SOURCE = 'measured on the spot';

function readDesk(text: PlaceText, reading: Reading): { travel: Travel | null; faults: PlaceFaults } {
  const { lowest: low, highest: high } = ADJUSTMENT_KINDS.deskHeight;
  const read = (t: string) => readBetween(t, low, high, reading);
  const q = (value: number) => stated(value, SOURCE);
  if (text.form === 'none') return { travel: null, faults: {} };
  if (text.form === 'fixed') {
    const height = read(text.height);
    return {
      travel: { type: 'listed', values: [q(height.value)] },
      faults: height.fault ? { height: height.fault } : {},
    };
  }
  if (text.form === 'stops') {
    const stops = text.stops
      .split(';')
      .filter((t) => t.trim() !== '')
      .map(read);
    const fault = stops.length === 0 ? word('measure.fault.empty') : stops.find((s) => s.fault)?.fault;
    const values = [...new Set(stops.map((s) => s.value))].sort((a, b) => a - b).map(q);
    return { travel: { type: 'listed', values }, faults: fault ? { stops: fault } : {} };
  }
  const [lowest, highest] = [read(text.lowest), read(text.highest)];
  const reversed =
    !lowest.fault && !highest.fault && !(lowest.value < highest.value) ? word('places.fault.reversed') : null;
  const faults: PlaceFaults = {
    ...(lowest.fault ? { lowest: lowest.fault } : {}),
    ...((highest.fault ?? reversed) ? { highest: highest.fault ?? reversed ?? '' } : {}),
  };
  return { travel: { type: 'continuous', lowest: q(lowest.value), highest: q(highest.value) }, faults };
}

/** Reads the typed texts into a place, or says what is wrong field by field. */
export function readPlace(
  id: string,
  text: PlaceText,
  reading: Reading,
): { readonly edit: PlaceEdit; readonly faults: PlaceFaults } {
  const desk = readDesk(text, reading);
  const has = text.form !== 'none';
  const thickness = has
    ? readBetween(text.thickness, 0, MOST_THICKNESS_MM, reading)
    : { value: 0, fault: null };
  const keyboard = has ? readBetween(text.keyboard, 0, MOST_KEYBOARD_MM, reading) : { value: 0, fault: null };
  const faults: PlaceFaults = {
    ...(text.name.trim() === '' ? { name: word('people.nameMissing') } : {}),
    ...desk.faults,
    ...(thickness.fault ? { thickness: thickness.fault } : {}),
    ...(keyboard.fault ? { keyboard: keyboard.fault } : {}),
  };
  const adjustment: Adjustment | null = desk.travel && {
    id: 'desk',
    kind: 'deskHeight',
    side: 'both',
    unit: 'mm',
    travel: desk.travel,
  };
  const edit: PlaceEdit = {
    id,
    name: text.name.trim(),
    task: text.task,
    desk: adjustment,
    deskThicknessMm: thickness.value,
    keyboardThicknessMm: keyboard.value,
    notes: text.notes,
  };
  return { edit, faults };
}

/** How a field of a place reads where two versions of it stand beside each other. */
export function sayField(key: keyof PlaceText, text: PlaceText): string {
  const value = text[key];
  if (key === 'task') return word(`task.${value}`);
  return (key === 'form' ? word(`places.desk.${value}`) : value) || '–';
}

/** The fields in which two versions of a place differ. */
export const differingFields = (a: PlaceText, b: PlaceText): (keyof PlaceText)[] =>
  (Object.keys(a) as (keyof PlaceText)[]).filter((key) => a[key] !== b[key]);
