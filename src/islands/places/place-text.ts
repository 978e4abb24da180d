/** A workstation as it is typed: its texts, what they come to, and what is wrong with them. */
import { stated } from '../../core/quantity';
import {
  GROUNDS,
  PLACE_LENGTHS,
  PLACE_LENGTH_IDS,
  SPOT_LIMITS,
  TASKS,
  WINNERS,
  deskOf,
  type Ground,
  type Place,
  type PlaceLength,
  type Spot,
  type Task,
  type Winner,
} from '../../core/place';
import {
  ADJUSTMENT_KINDS,
  OFFERS,
  SEAT_CLASSES,
  adjustmentOf,
  endsOf,
  type Adjustment,
  type AdjustmentKind,
  type Travel,
} from '../../core/seat';
import { formatLengthNumber } from '../../core/units';
import type { PlaceEdit } from '../../contract';
import { DESK_LENGTHS } from './place-layout';
import { readBetween, type Read } from '../../ui/read-length';
import { t, word, type Reading } from '../../words';

export const DESK_FORMS = ['none', 'fixed', 'slides', 'stops'] as const;
export type DeskForm = (typeof DESK_FORMS)[number];

/** A place as typed: texts until they can be read. */
export interface PlaceText extends Readonly<Record<PlaceLength, string>> {
  readonly name: string;
  readonly task: Task;
  readonly form: DeskForm;
  readonly height: string;
  readonly lowest: string;
  readonly highest: string;
  readonly stops: string;
  readonly wins: Winner | '';
  readonly screenLowest: string;
  readonly screenHighest: string;
  readonly footrests: string;
  readonly gripForward: string;
  readonly gripHeight: string;
  readonly heelForward: string;
  readonly heelHeight: string;
  readonly ground: Ground | '';
  /** Ids, with blanks between. */
  readonly needs: string;
  readonly seatClasses: string;
  readonly notes: string;
}

export type PlaceFaults = Partial<Record<keyof PlaceText, string>>;

/** What a field of the form is called. */
export const labelOf = (key: keyof PlaceText): string => word(`places.${key}`);

const SPOTS = {
  handControls: ['gripForward', 'gripHeight'],
  pedals: ['heelForward', 'heelHeight'],
} as const;

function formOf(desk: Adjustment | null): DeskForm {
  if (!desk) return 'none';
  if (desk.travel.type === 'listed') return desk.travel.values.length === 1 ? 'fixed' : 'stops';
  return 'slides';
}

/** What a new workstation is taken to have until somebody says otherwise, mm. */
const NEW_LENGTHS: Partial<Record<PlaceLength, number>> = { keyboardThicknessMm: 0 };

/** The texts of a place, or those of a new one. */
export function textsOf(place: Place | null, reading: Reading): PlaceText {
  const say = (mm: number | undefined) => (mm === undefined ? '' : formatLengthNumber(mm, reading.length));
  const desk = deskOf(place);
  const of = (kind: AdjustmentKind) => (place ? adjustmentOf(place.adjustments, kind)?.travel : undefined);
  const valuesOf = (travel: Travel | undefined) =>
    travel?.type === 'listed' ? travel.values.map((q) => say(q.value)) : [];
  const travel = desk?.travel;
  const values = valuesOf(travel);
  const screen = of('screenHeight');
  const lengths = Object.fromEntries(
    PLACE_LENGTH_IDS.map((key) => [key, say(place ? place[key] : NEW_LENGTHS[key])]),
  ) as Record<PlaceLength, string>;
  return {
    ...lengths,
    name: place?.name ?? '',
    task: place?.task ?? TASKS[0],
    form: place ? formOf(desk) : 'fixed',
    height: values[0] ?? '',
    lowest: travel && travel.type !== 'listed' ? say(endsOf(travel).lowest) : '',
    highest: travel && travel.type !== 'listed' ? say(endsOf(travel).highest) : '',
    stops: values.join('; '),
    wins: place?.wins ?? '',
    screenLowest: screen ? say(endsOf(screen).lowest) : '',
    screenHighest: screen ? say(endsOf(screen).highest) : '',
    footrests: valuesOf(of('footrest')).slice(1).join('; '),
    gripForward: say(place?.handControls?.forwardMm),
    gripHeight: say(place?.handControls?.heightMm),
    heelForward: say(place?.pedals?.forwardMm),
    heelHeight: say(place?.pedals?.heightMm),
    ground: place?.ground ?? '',
    needs: (place?.needs ?? []).join(' '),
    seatClasses: (place?.seatClasses ?? []).join(' '),
    notes: place?.notes ?? '',
  };
}

const q = (value: number) => stated(value, word('places.source'));
const limitsOf = (kind: AdjustmentKind): readonly [number, number] => [
  ADJUSTMENT_KINDS[kind].lowest,
  ADJUSTMENT_KINDS[kind].highest,
];
const part = (id: string, kind: AdjustmentKind, travel: Travel): Adjustment => ({
  id,
  kind,
  side: 'both',
  unit: 'mm',
  travel,
  holds: { how: travel.type === 'continuous' ? 'free' : 'notched' },
});
const isBlank = (text: string): boolean => text.trim() === '';

/** Heights with semicolons between, rising. */
function readList(text: string, limits: readonly [number, number], reading: Reading) {
  const reads = text
    .split(';')
    .filter((t) => !isBlank(t))
    .map((t) => readBetween(t, limits, reading));
  const values = [...new Set(reads.map((s) => s.value))].sort((a, b) => a - b);
  return { values, fault: reads.find((s) => s.fault)?.fault ?? null };
}

interface ReadTravel {
  readonly travel: Travel | null;
  readonly faults: PlaceFaults;
}

/** A range from two fields; both the same: fixed. */
function readRange(
  text: PlaceText,
  [lowKey, highKey]: readonly [keyof PlaceText, keyof PlaceText],
  limits: readonly [number, number],
  reading: Reading,
): ReadTravel {
  const [lowest, highest] = [lowKey, highKey].map((key) => readBetween(text[key], limits, reading)) as [
    Read,
    Read,
  ];
  const isReversed = !lowest.fault && !highest.fault && lowest.value > highest.value;
  const high = highest.fault ?? (isReversed ? word('places.fault.reversed') : null);
  const faults: PlaceFaults = {
    ...(lowest.fault ? { [lowKey]: lowest.fault } : {}),
    ...(high ? { [highKey]: high } : {}),
  };
  const travel: Travel =
    lowest.value === highest.value
      ? { type: 'listed', values: [q(lowest.value)] }
      : { type: 'continuous', lowest: q(lowest.value), highest: q(highest.value) };
  return { travel, faults };
}

function readDesk(text: PlaceText, reading: Reading): ReadTravel {
  const limits = limitsOf('deskHeight');
  if (text.form === 'none') return { travel: null, faults: {} };
  if (text.form === 'fixed') {
    const height = readBetween(text.height, limits, reading);
    return {
      travel: { type: 'listed', values: [q(height.value)] },
      faults: height.fault ? { height: height.fault } : {},
    };
  }
  if (text.form === 'stops') {
    const { values, fault } = readList(text.stops, limits, reading);
    const problem = values.length === 0 ? word('measure.fault.empty') : fault;
    return { travel: { type: 'listed', values: values.map(q) }, faults: problem ? { stops: problem } : {} };
  }
  const range = readRange(text, ['lowest', 'highest'], limits, reading);
  if (range.travel?.type !== 'listed' || Object.keys(range.faults).length > 0) return range;
  return { travel: range.travel, faults: { highest: word('places.fault.reversed') } };
}

function readScreen(text: PlaceText, reading: Reading): ReadTravel {
  if (isBlank(text.screenLowest) && isBlank(text.screenHighest)) return { travel: null, faults: {} };
  return readRange(text, ['screenLowest', 'screenHighest'], limitsOf('screenHeight'), reading);
}

/** A place's own footrest can always be put aside: its first position is the floor. */
function readFootrest(text: PlaceText, reading: Reading): ReadTravel {
  if (isBlank(text.footrests)) return { travel: null, faults: {} };
  const { values, fault } = readList(text.footrests, limitsOf('footrest'), reading);
  const heights = [0, ...values.filter((v) => v > 0)];
  return {
    travel: { type: 'listed', values: heights.map(q) },
    faults: fault ? { footrests: fault } : {},
  };
}

function readSpot(text: PlaceText, name: keyof typeof SPOTS, reading: Reading) {
  const [forward, height] = SPOTS[name];
  if (isBlank(text[forward]) && isBlank(text[height])) return { spot: undefined, faults: {} };
  const faults: PlaceFaults = {};
  const read = (key: typeof forward | typeof height, limits: readonly [number, number]): number => {
    const { value, fault } = isBlank(text[key])
      ? { value: NaN, fault: word('places.fault.both') }
      : readBetween(text[key], limits, reading);
    if (fault) faults[key] = fault;
    return value;
  };
  const spot: Spot = {
    forwardMm: read(forward, SPOT_LIMITS.forwardMm),
    heightMm: read(height, SPOT_LIMITS.heightMm),
  };
  return { spot, faults };
}

/** Reads the typed texts into a place, or says what is wrong field by field. */
export function readPlace(
  id: string,
  text: PlaceText,
  reading: Reading,
): { readonly edit: PlaceEdit; readonly faults: PlaceFaults } {
  const hasDesk = text.form !== 'none';
  const faults: PlaceFaults = text.name.trim() === '' ? { name: word('people.nameMissing') } : {};
  const take = <T extends { readonly faults: PlaceFaults }>(read: T): T => {
    Object.assign(faults, read.faults);
    return read;
  };
  /** Without a desk, its lengths are none; what has to be said then is 0. */
  const length = (key: PlaceLength): number | undefined => {
    const { isRequired, limits } = PLACE_LENGTHS[key];
    if (!hasDesk && DESK_LENGTHS.includes(key)) return isRequired ? 0 : undefined;
    if (isBlank(text[key]) && !isRequired) return undefined;
    const { value, fault } = readBetween(text[key], limits, reading);
    if (fault) faults[key] = fault;
    return value;
  };
  const lengths = Object.fromEntries(PLACE_LENGTH_IDS.map((key) => [key, length(key)])) as Pick<
    Place,
    PlaceLength
  >;
  const desk = take(readDesk(text, reading)).travel;
  const screen = take(readScreen(text, reading)).travel;
  const footrest = take(readFootrest(text, reading)).travel;
  const edit: PlaceEdit = {
    id,
    name: text.name.trim(),
    task: text.task,
    desk: desk && part('desk', 'deskHeight', desk),
    screen: screen && part('screen', 'screenHeight', screen),
    footrest: footrest && part('footrest', 'footrest', footrest),
    ...lengths,
    handControls: take(readSpot(text, 'handControls', reading)).spot,
    pedals: take(readSpot(text, 'pedals', reading)).spot,
    ground: GROUNDS.find((ground) => ground === text.ground),
    needs: OFFERS.filter((offer) => isIn(text.needs, offer)),
    seatClasses: SEAT_CLASSES.filter((seatClass) => isIn(text.seatClasses, seatClass)),
    wins: WINNERS.find((winner) => winner === text.wins),
    notes: text.notes,
  };
  return { edit, faults };
}

/** How a field of a place reads where two versions of it stand beside each other. */
export function sayField(key: keyof PlaceText, text: PlaceText): string {
  const value = text[key];
  if (key === 'task') return t(`task.${value}`);
  if (key === 'form') return t(`places.desk.${value}`);
  if (key === 'wins') return t(`places.wins.${value || 'none'}`);
  if (key === 'ground') return t(value ? `ground.${value}` : 'places.ground.none');
  if (key === 'needs' || key === 'seatClasses')
    return (
      value
        .split(' ')
        .filter(Boolean)
        .map((id) => t(`${key === 'needs' ? 'offer' : 'class'}.${id}`))
        .join(', ') || word('places.any')
    );
  return value || '–';
}

/** Whether a list of ids with blanks between has this one. */
export const isIn = (list: string, id: string): boolean => list.split(' ').includes(id);

/** The list with this id, or without it where it had it. */
export const toggled = (list: string, id: string): string =>
  (isIn(list, id) ? list.split(' ').filter((other) => other !== id) : [...list.split(' '), id])
    .filter(Boolean)
    .join(' ');

/** The fields in which two versions of a place differ. */
export const differingFields = (a: PlaceText, b: PlaceText): (keyof PlaceText)[] =>
  (Object.keys(a) as (keyof PlaceText)[]).filter((key) => a[key] !== b[key]);
