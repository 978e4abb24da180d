/** What is said at a step of a walk: of the seat as it stands then, with what comes later still neutral. */
import {
  isSwitch,
  put,
  sizeInUse,
  valuesOfSettings,
  type Assessment,
  type Problem,
  type SettingOutcome,
  type Settings,
  type Variable,
} from '../fit';
import { eyeMm } from '../fit/geometry/head';
import { footGapMm, hollowFromRearMm } from '../fit/geometry/on-seat';
import { message, type Message } from '../message';
import { settingOf } from '../card/checks';
import { UNDESCRIBED, controlWords, type ControlWords } from '../card/control-words';
import { inUseMessage, remedyShort } from '../card/card';
import { startWords } from '../card/start';
import { postureRows, type PostureRow, type PostureSettings } from '../card/postures';
import { USUAL_FINGERS_MM } from '../target';
import { ADJUSTMENT_KINDS, controlFor, isStepped, valuesOf, type AdjustmentKind } from '../seat';
import { stepCaution } from './cautions';
import { HARNESS } from './couplings';
import { isPutNeutral } from './neutral';
import { proceduresAt } from './procedures';
import { kindOfStep, triedOf, type WalkStep } from './steps';
import type { Walk } from './walk';
import { judged } from './judged';

/** A posture on the way through them: what moves, and with which control. */
export interface PostureMove extends PostureRow, ControlWords {}

export interface StepWords extends ControlWords {
  /** What it is about, short. */
  readonly title: Message;
  /** The one line that is read from afar: what it is set to, or what is done. */
  readonly main: Message;
  /** The same in full, where it was shortened: from where it counts, and of how many. */
  readonly full: Message | null;
  /** Which way it goes from where it stands, and how far; null where it stands right, or only a state is chosen. */
  readonly way: Message | null;
  /** What a tape or a level must show then, and from where. */
  readonly check: Message | null;
  /** What the hand, the eye or the sitter tells. */
  readonly tells: Message | null;
  /** What is done in several steps, in order. */
  readonly procedure: readonly Message[];
  /** Why it is set again. */
  readonly because: Message | null;
  /** Where the heels are for now, and what brings them down. */
  readonly feet: Message | null;
  readonly caution: Message | null;
  /** Of a posture: what changes. */
  readonly moves: readonly PostureMove[];
}

/** Heels that hang by less are on the floor, mm: the end of what fits. */
const STANDS_MM = 5;

/**
 * The seat as it stands once a step is done.
 * @returns settings; as it stands now where the step sets nothing. Definition.
 * @example
 * standingAfter(walkOf(problem, best, []), { id: 'sit', what: 'sit' }).remedies // => {}
 */
export function standingAfter({ standing, target }: Walk, step: WalkStep): Settings {
  const kind = kindOfStep(step);
  if (!kind || target.positions[kind] === undefined) return standing;
  return { ...standing, positions: { ...standing.positions, [kind]: target.positions[kind] } };
}

/** Where the heels hang, which later step brings them to the floor; that they stand again; null where they stood before. */
function feetWords(p: Problem, walk: Walk, step: WalkStep, kind: AdjustmentKind): Message | null {
  const before = footGapMm(p, valuesOfSettings(p, walk.standing));
  const values = valuesOfSettings(p, standingAfter(walk, step));
  const gap = footGapMm(p, values);
  if (!Number.isFinite(gap)) return null;
  if (gap <= STANDS_MM)
    return before > STANDS_MM && kind !== 'seatHeight' ? message('walk.heelsStand') : null;
  if (kind !== 'seatHeight' && gap === before) return null;
  const rest = walk.steps.slice(walk.steps.findIndex(({ id }) => id === step.id) + 1);
  const later = { ...values };
  for (const next of rest) {
    const moved = next.what === 'set' ? next.kind : null;
    const variable = moved && p.variables[moved];
    if (!moved || !variable) continue;
    put(p, later, moved, variable.values[walk.target.positions[moved] ?? 0] ?? NaN);
    if (footGapMm(p, later) <= STANDS_MM)
      return message('walk.heelsHang', { by: { mm: gap }, kind: { word: `kind.${moved}` } });
  }
  return message('walk.heelsHang.stay', { by: { mm: gap } });
}

/** How many fingers of whoever checks fit into the room behind the knee: the hand that was measured, else the usual one. */
function fingersWords(p: Problem, a: Assessment): Message | null {
  const room = hollowFromRearMm(p, a.values) - a.values.seatDepth;
  if (!(room > 0)) return null;
  const { fitterHandMm: hand } = p.inputs;
  // Of a hand of which one breadth was measured the other is in proportion: four fingers are never narrower than three.
  const [own3, own4] = [hand?.[3], hand?.[4]];
  const isOwn = own3 !== undefined || own4 !== undefined;
  const share =
    own3 !== undefined ? own3 / USUAL_FINGERS_MM[3] : own4 !== undefined ? own4 / USUAL_FINGERS_MM[4] : 1;
  const breadth = {
    3: own3 ?? Math.round(share * USUAL_FINGERS_MM[3]),
    4: own4 ?? Math.round(share * USUAL_FINGERS_MM[4]),
  };
  const fits = (fingers: 3 | 4): boolean => breadth[fingers] <= room + GIVES_MM;
  const key = !fits(3) ? 'flat' : isOwn ? 'own' : 'usual';
  const count = fits(3) && fits(4) ? 4 : 3;
  return message(`walk.tells.seatDepth.${key}`, {
    fingers: { count },
    breadth: { mm: breadth[count] },
    room: { mm: Math.round(room) },
  });
}
/** By so much the calf gives to fingers, mm (assumed). */
const GIVES_MM = 2;

/** Kinds of which the sitter’s own body says that they are right; `walk.tells.<kind>`. Common practice, no source. */
const TOLD: readonly AdjustmentKind[] = [
  'seatAngle',
  'frontSlope',
  'forwardTilt',
  'backHeight',
  'backProfile',
  'backReach',
  'lumbarApex',
  'lumbarDepth',
  'upperLumbar',
  'lowerLumbar',
  'tiltTension',
  'tiltLock',
  'armHeight',
  'armWidth',
  'padSlide',
  'armDepth',
  'armPivot',
  'armAngle',
  'headHeight',
  'headAngle',
  'headDepth',
  'foreAft',
  'suspensionWeight',
  'damper',
  'footRing',
  'footrest',
  'deskHeight',
];

/** An angle of the posture as it then is, to be compared with what is seen. */
function angleWords(a: Assessment, kind: AdjustmentKind, id: string): Message | null {
  const angle = a.angles.find((x) => x.id === id);
  return angle?.deg == null ? null : message(`walk.tells.${kind}`, { angle: { deg: angle.deg } });
}

function tellsOf(p: Problem, a: Assessment, kind: AdjustmentKind, hangs: boolean): Message | null {
  if (kind === 'seatDepth') return fingersWords(p, a);
  // While the heels hang, the thigh carries the leg: no hand goes under it.
  if (kind === 'seatHeight') return hangs ? null : message('walk.tells.seatHeight');
  if (kind === 'backAngle') return angleWords(a, kind, 'trunkThigh');
  if (kind === 'stationForeAft') return angleWords(a, kind, 'knee');
  if (kind === 'screenHeight') {
    const eye = eyeMm(p, a.values);
    return Number.isFinite(eye) ? message('walk.tells.screenHeight', { eye: { mm: Math.round(eye) } }) : null;
  }
  return TOLD.includes(kind) ? message(`walk.tells.${kind}`) : null;
}

const PLAIN: Omit<StepWords, 'title' | 'main'> = {
  ...UNDESCRIBED,
  full: null,
  way: null,
  check: null,
  tells: null,
  procedure: [],
  because: null,
  feet: null,
  caution: null,
  moves: [],
};

const named = (kind: AdjustmentKind): Message => message('walk.named', { kind: { word: `kind.${kind}` } });

interface Shown {
  readonly main: Message;
  readonly full: Message | null;
  readonly check: Message | null;
}

/** Counts are read from afar without what they count from; `walk.main.<key>`. */
const SHORTENED: readonly string[] = [
  'position.clicks',
  'position.stop',
  'position.turns',
  'position.pumps',
  'position.angle',
  'position.tapeLevel',
];

const shortOf = (words: Message): Message =>
  SHORTENED.includes(words.key)
    ? message(`walk.main.${words.key.slice('position.'.length)}`, words.values)
    : words;

/** What only a tape tells is said with the bare number first, and from where under it. */
function shownOf(a: Assessment, outcome: SettingOutcome): Shown {
  const { setting, check } = settingOf(a.problem, a, outcome);
  if (setting !== outcome.words) return { main: shortOf(outcome.words), full: null, check: setting };
  const value = check?.values.value;
  // Counted with the seat level; the tape meets it as it then is.
  if (setting.key === 'position.tapeLevel' && value !== undefined)
    return { main: message('position.tape', { value }), full: null, check };
  const main = shortOf(setting);
  return { main, full: main === setting ? null : setting, check };
}

/** Which way, and by how much of what it is counted in, from where it stands. */
function wayWords(p: Problem, walk: Walk, variable: Variable | undefined): Message | null {
  if (!variable || variable.adjustment.lock) return null;
  // Of what nobody has put anywhere yet, nobody knows which way.
  if (walk.reached[variable.kind] === undefined && !isPutNeutral(p, variable)) return null;
  const { kind, values, adjustment } = variable;
  const [from, to] = [walk.standing.positions[kind], walk.target.positions[kind]];
  if (from === undefined || to === undefined || from === to) return null;
  const { sign } = ADJUSTMENT_KINDS[kind];
  const by = Math.abs(values[to]! - values[from]!);
  const way = { word: `${to > from ? 'raise' : 'lower'}.${sign}` };
  if (isStepped(adjustment)) return message('walk.way.steps', { way, by: { count: Math.abs(to - from) } });
  const { unit } = adjustment;
  if (unit === 'turn') return message('walk.way', { way, by: { turns: by } });
  if (unit === 'mm') return message('walk.way', { way, by: { mm: by } });
  return unit === 'deg' ? message('walk.way', { way, by: { deg: by } }) : message('walk.way.only', { way });
}

/** What nothing is calculated for: the position that is tried now. */
function triedWords(p: Problem, walk: Walk, kind: AdjustmentKind): Message {
  const adjustment = triedOf(p).find((one) => one.kind === kind);
  const position = walk.felt[kind]?.position ?? 0;
  const values = adjustment ? valuesOf(adjustment) : [];
  if (adjustment?.unit === 'turn')
    return message('walk.main.turns', { turns: { turns: values[position] ?? 0 } });
  return message('walk.main.stop', { number: { count: position + 1 }, of: { count: values.length } });
}

/** What is set: to what, with which control, and how one knows. */
function setWords(p: Problem, walk: Walk, step: WalkStep, kind: AdjustmentKind): StepWords {
  const a = judged(p, standingAfter(walk, step));
  const variable = a.problem.variables[kind];
  const outcome = a.outcomes.find((o) => o.kind === kind);
  const because =
    step.what === 'again'
      ? message('walk.because', { list: { words: step.because.map((cause) => `kind.${cause}`) } })
      : null;
  const feet = variable ? feetWords(a.problem, walk, step, kind) : null;
  const hangs = feet?.key === 'walk.heelsHang' || feet?.key === 'walk.heelsHang.stay';
  const adjustment = variable?.adjustment ?? triedOf(p).find((one) => one.kind === kind);
  const said = outcome ? shownOf(a, outcome) : null;
  return {
    ...PLAIN,
    ...(adjustment ? controlWords(p.inputs.seat, adjustment) : UNDESCRIBED),
    title: named(kind),
    main: said?.main ?? triedWords(p, walk, kind),
    full: said ? said.full : message('walk.byTrial'),
    way: wayWords(a.problem, walk, variable),
    check: said?.check ?? null,
    tells: said || step.what === 'trial' ? tellsOf(a.problem, a, kind, hangs) : null,
    procedure: adjustment
      ? proceduresAt(
          p.inputs.seat,
          kind,
          controlFor(p.inputs.seat.controls, adjustment.id)?.control.id ?? null,
        )
      : [],
    because,
    feet,
    caution: stepCaution(p, kind),
  };
}

/** What another posture changes, with the control of each; what could not be moved stays. */
function postureWords(p: Problem, walk: Walk, posture: PostureSettings): StepWords {
  const rows = postureRows(judged(p, walk.standing), posture) ?? [];
  const moves = rows
    .filter(({ kind }) => walk.held[kind] === undefined)
    .map((row): PostureMove => {
      const adjustment = p.variables[row.kind]?.adjustment;
      return { ...row, ...(adjustment ? controlWords(p.inputs.seat, adjustment) : UNDESCRIBED) };
    });
  return {
    ...PLAIN,
    title: message('walk.posture'),
    main: message('walk.posture.main', { name: { text: posture.name }, count: { count: moves.length } }),
    moves,
  };
}

const neutralWords = (p: Problem): StepWords => ({
  ...PLAIN,
  title: message('walk.neutral'),
  main: message('walk.neutral.main'),
  check: message('walk.neutral.how', startWords(p).values),
  procedure: proceduresAt(p.inputs.seat, 'neutralStart', null),
  caution: stepCaution(p, 'neutral'),
});

/** What is looked at once everything is set: both sides alike, all tight, nothing that gives way. Common practice, no source. */
function endWords(p: Problem): StepWords {
  const has = (kinds: readonly AdjustmentKind[]) => kinds.some((kind) => p.variables[kind] !== undefined);
  const looks: readonly [boolean, string][] = [
    [has(['armHeight', 'armWidth', 'armAngle', 'armPivot', 'padSlide']), 'walk.end.arms'],
    [true, 'walk.end.knobs'],
    [p.inputs.seat.controls.some(({ latch }) => latch !== 'none'), 'walk.end.latches'],
    [has(['backAngle', 'backHeight', 'lumbarApex']), 'walk.end.back'],
  ];
  return {
    ...PLAIN,
    title: message('walk.end'),
    main: message('walk.end.main'),
    procedure: looks.filter(([holds]) => holds).map(([, key]) => message(key)),
    tells: message('walk.end.tells'),
  };
}

const sitWords = (p: Problem): StepWords => ({
  ...PLAIN,
  title: message('walk.sit'),
  main: message('walk.sit.main'),
  tells: message('walk.tells.sit'),
  procedure: proceduresAt(p.inputs.seat, 'sitRightBack', null),
});

/** Titles of steps that set nothing. */
const TITLES = {
  neutral: 'walk.neutral',
  where: 'walk.where',
  sit: 'walk.sit',
  end: 'walk.end',
  remedy: 'walk.remedy',
  posture: 'walk.posture',
  harness: 'walk.harness',
} as const;

/**
 * What a step is about, short.
 * @returns a message. Definition.
 * @example
 * titleOf({ id: 'sit', what: 'sit' }).key // => 'walk.sit'
 */
export function titleOf(step: WalkStep): Message {
  const kind = kindOfStep(step);
  if (kind) return named(kind);
  return message(
    TITLES[step.what === 'again' || step.what === 'set' || step.what === 'trial' ? HARNESS : step.what],
  );
}

/**
 * Everything that is said at a step, of the seat as it stands once the step is done.
 * @param postures those of the fitting beside the one that is set first
 * @returns messages; null or empty where there is nothing to say. Common practice, no source.
 * @example
 * stepWords(problem, walkOf(problem, best, []), { id: 'sit', what: 'sit' }).main.key // => 'walk.sit.main'
 */
export function stepWords(
  p: Problem,
  walk: Walk,
  step: WalkStep,
  postures: readonly PostureSettings[] = [],
): StepWords {
  const kind = kindOfStep(step);
  if (kind) return setWords(p, walk, step, kind);
  if (step.what === 'remedy')
    return {
      ...PLAIN,
      title: message('walk.remedy'),
      main: remedyShort(step.remedy, sizeInUse(walk.target.remedies, step.remedy)),
      check: inUseMessage(step.remedy, sizeInUse(walk.target.remedies, step.remedy)),
      caution: isSwitch(step.remedy) ? null : message('caution.remedies'),
    };
  if (step.what === 'posture') return postureWords(p, walk, postures[step.number]!);
  if (step.what === 'neutral') return neutralWords(p);
  if (step.what === 'sit') return sitWords(p);
  if (step.what === 'where')
    return {
      ...PLAIN,
      title: message('walk.where'),
      main: message('walk.where.main'),
      tells: message('walk.tells.where'),
    };
  if (step.what === 'end') return endWords(p);
  return {
    ...PLAIN,
    title: message('walk.harness'),
    main: message(step.what === 'again' ? 'walk.harness.again' : 'walk.harness.main'),
    procedure: step.what === 'again' ? [] : proceduresAt(p.inputs.seat, HARNESS, null),
    because:
      step.what === 'again'
        ? message('walk.because', { list: { words: step.because.map((cause) => `kind.${cause}`) } })
        : null,
    caution: message('caution.operator'),
  };
}
