/** A control as it is entered: what is usual for one that somebody has just pointed at. Nothing here knows of a screen. */
import {
  ADJUSTMENT_KINDS,
  isFixed,
  type Action,
  type Adjustment,
  type Control,
  type ControlKind,
  type Direction,
  type Hand,
  type Move,
  type Side,
  type Sign,
  type Zone,
} from '../../core/seat';
import { sayWith, t, word } from '../../words';

/** What is usually done with a control of a kind. */
const USUAL_ACTION: Record<ControlKind, Action> = {
  lever: 'liftAndHold',
  paddle: 'liftAndHold',
  knob: 'turn',
  wheel: 'turn',
  button: 'pressAndHold',
  trigger: 'squeeze',
  bulb: 'pump',
  switch: 'press',
  ratchet: 'raiseByClicks',
  strap: 'pullOut',
  byHand: 'slide',
  tool: 'setToStop',
};

/** Ways that can give more of something; which does is tried, never guessed. */
const WAYS: Partial<Record<Sign, readonly Direction[]>> = {
  up: ['up', 'down'],
  deeper: ['forward', 'backward'],
  frontUp: ['up', 'down', 'forward', 'backward'],
  leanBack: ['backward', 'forward', 'up', 'down'],
  wider: ['outward', 'inward'],
  toesIn: ['inward', 'outward'],
  forward: ['forward', 'backward'],
};
const TURNS: readonly Direction[] = ['clockwise', 'anticlockwise'];
const ALL_WAYS: readonly Direction[] = ['up', 'down', 'forward', 'backward', 'inward', 'outward'];

/** The directions that a move may have, the likely ones for what it moves first. */
export function waysOf({ kind }: Adjustment, action: Action): readonly Direction[] {
  const likely = WAYS[ADJUSTMENT_KINDS[kind].sign] ?? ALL_WAYS;
  const all = action === 'turn' ? [...TURNS, ...likely] : [...likely, ...ALL_WAYS, ...TURNS];
  return [...new Set(all)];
}

/** Where it is, in words: under the front corner, on the right. */
export const placeIn = (zone: Zone, side: Side): string =>
  sayWith('controlForm.placeWords', { zone: word(`zone.${zone}`), side: word(`side.${side}`) });

const HAND_AT: Record<Side, Hand> = { right: 'right', left: 'left', middle: 'either', bothSides: 'both' };

/** An id that no other control has. */
function freeId(ids: readonly string[]): string {
  let n = ids.length + 1;
  while (ids.includes(`control-${n}`)) n++;
  return `control-${n}`;
}

/** A control that somebody has just pointed at. */
export const newControl = (others: readonly Control[], side: Side, zone: Zone): Control => ({
  id: freeId(others.map((c) => c.id)),
  name: t('controlKind.lever'),
  kind: 'lever',
  hand: HAND_AT[side],
  side,
  zone,
  place: placeIn(zone, side),
  moves: [],
  latch: 'none',
  scale: { type: 'none' },
});

/** Another kind; a name that was only the old kind's follows it, and so do moves that were only usual. */
export function withKind(control: Control, kind: ControlKind): Control {
  const isPlain = control.name === t(`controlKind.${control.kind}`) || control.name.trim() === '';
  const [was, is] = [USUAL_ACTION[control.kind], USUAL_ACTION[kind]];
  return {
    ...control,
    kind,
    name: isPlain ? t(`controlKind.${kind}`) : control.name,
    moves: control.moves.map((m) => (m.action === was ? { ...m, action: is } : m)),
  };
}

/** Another place; words and hand that only followed from the old one follow the new. */
export function withPlace(control: Control, side: Side, zone: Zone): Control {
  const { side: oldSide, zone: oldZone } = control;
  const isPlain =
    oldSide !== undefined && oldZone !== undefined && control.place === placeIn(oldZone, oldSide);
  const isUsualHand = oldSide === undefined || control.hand === HAND_AT[oldSide];
  return {
    ...control,
    side,
    zone,
    point: undefined,
    place: isPlain || control.place.trim() === '' ? placeIn(zone, side) : control.place,
    hand: isUsualHand ? HAND_AT[side] : control.hand,
  };
}

const NOTHING = { forMore: 'nothing', forLess: 'nothing' } as const;
/** What the body does with a move, where that is always the same: a lift carries whoever sits on it. */
function usualActs({ kind }: Adjustment, action: Action): Move['sitter'] {
  if (kind === 'seatHeight' && action === 'liftAndHold') return { forMore: 'weightOff', forLess: 'weightOn' };
  if (kind === 'backAngle' && action === 'liftAndHold')
    return { forMore: 'leanBack', forLess: 'leanForward' };
  return NOTHING;
}

/** A move of something, as such a control usually makes it; which way is unknown until it is tried. */
export function newMove({ kind }: Control, adjustment: Adjustment): Move {
  const action = USUAL_ACTION[kind];
  return {
    adjustmentId: adjustment.id,
    action,
    directionForMore: 'unknown',
    sitter: usualActs(adjustment, action),
  };
}

/** Something that a control might move besides what it moves already; the other pull where one was described. */
export interface MoveOffered {
  readonly id: string;
  readonly adjustment: Adjustment;
  readonly pull?: 'short' | 'long';
}

const OTHER_PULL = { short: 'long', long: 'short' } as const;

/** What a control might move as well. One thing twice only where a short and a long pull do different things. */
export function movesOffered(control: Control, adjustments: readonly Adjustment[]): readonly MoveOffered[] {
  return adjustments
    .filter((a) => !isFixed(a))
    .flatMap((adjustment): MoveOffered[] => {
      const { id } = adjustment;
      const known = control.moves.filter((m) => m.adjustmentId === id);
      const [only] = known;
      if (!only) return [{ id, adjustment }];
      return known.length === 1 && only.pull ? [{ id, adjustment, pull: OTHER_PULL[only.pull] }] : [];
    });
}

/** Text without what is only blank. */
export const textOr = (text: string): string | undefined => (text.trim() === '' ? undefined : text);
