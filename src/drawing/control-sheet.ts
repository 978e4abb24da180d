/** The controls of a seat as a sheet of texts and numbers, in one reader’s words: the same on screen and on paper. */
import { controlSpots } from '../core/scene';
import { isFixed, offers, stepsOf, workingOf, type Control, type Move, type SeatModel } from '../core/seat';
import { say, sayWith, t, word, type Reading } from '../words';
import { pictogramsOf } from './pictograms';

/** One thing that a control does. */
export interface SheetMove {
  readonly what: string;
  readonly how: string;
  readonly pictograms: readonly string[];
}

export interface SheetControl {
  readonly number: number;
  readonly name: string;
  readonly where: string;
  readonly moves: readonly SheetMove[];
}

export interface ControlSheet {
  readonly title: string;
  readonly seat: string;
  readonly hint: string;
  readonly controls: readonly SheetControl[];
  readonly procedures: readonly { readonly name: string; readonly steps: readonly string[] }[];
  readonly notes: readonly string[];
  readonly cautions: readonly string[];
}

const sentence = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`);

function moveOf(seat: SeatModel, control: Control, move: Move, reading: Reading): SheetMove {
  const adjustment = seat.adjustments.find((a) => a.id === move.adjustmentId);
  const state = seat.states.find((s) => s.id === move.adjustmentId);
  return {
    what: adjustment
      ? word(`kind.${adjustment.kind}`)
      : state
        ? t(`seatState.${state.kind}`)
        : move.adjustmentId,
    how: adjustment
      ? workingOf(seat, control, move, adjustment)
          .filter(({ key }) => key !== 'working.touch')
          .map((m) => sentence(say(m, reading)))
          .join(' ')
      : sentence(say({ key: `action.${move.action}`, values: {} }, reading)),
    pictograms: pictogramsOf(control, move),
  };
}

function whereOf({ hand, place, rank, byTouch }: Control): string {
  const values = { hand: word(`hand.${hand}`), place };
  const where = rank
    ? sayWith('controls.where.ranked', { ...values, number: rank.number, of: rank.of })
    : sayWith('controls.where', values);
  return byTouch ? sayWith('controls.touch', { where, touch: byTouch }) : where;
}

/** What is dangerous about working this seat. */
function cautionsOf(seat: SeatModel): string[] {
  const isOperator = offers(seat, 'suspension') || offers(seat, 'harness');
  const has = (kind: string): boolean => seat.adjustments.some((a) => a.kind === kind && !isFixed(a));
  const lifts = seat.controls.some((c) =>
    c.moves.some((m) => m.adjustmentId === 'seatHeight' && m.action === 'liftAndHold'),
  );
  return [
    ...(isOperator ? [word('caution.operator')] : []),
    ...(lifts && !isOperator ? [word('caution.height')] : []),
    ...(has('backAngle') || has('tiltTension') ? [word('caution.pinch')] : []),
    ...(seat.seatClass === 'child' ? [word('caution.children')] : []),
    word('caution.scope'),
  ];
}

/** The sheet of a seat. */
export function controlSheetOf(seat: SeatModel, reading: Reading): ControlSheet {
  const spots = controlSpots(seat);
  const unplaced = spots.filter((s) => s.fromSide === null).map((s) => seat.controls[s.number - 1]!.name);
  const untried = seat.controls.filter((c) =>
    c.moves.some((m) => m.directionForMore === 'unknown' || !m.tried),
  );
  return {
    title: word('controls.title'),
    seat: seat.name,
    hint: word('controls.asSeen'),
    controls: seat.controls.map((control, i) => ({
      number: i + 1,
      name: control.name,
      where: whereOf(control),
      moves: control.moves.map((move) => moveOf(seat, control, move, reading)),
    })),
    procedures: seat.procedures.map((procedure) => {
      const control = seat.controls.find((c) => c.id === procedure.controlId);
      const name = word(`procedure.${procedure.kind}`);
      return {
        name: control ? `${name} (${control.name})` : name,
        steps: stepsOf(procedure).map((m) => sentence(say(m, reading))),
      };
    }),
    notes: [
      ...(untried.length > 0
        ? [sayWith('controls.untried', { list: untried.map((c) => c.name).join(', ') })]
        : []),
      ...(unplaced.length > 0 ? [sayWith('controls.unplaced', { list: unplaced.join(', ') })] : []),
      ...(seat.notes ? [sentence(seat.notes)] : []),
    ],
    cautions: cautionsOf(seat),
  };
}
