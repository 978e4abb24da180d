/** What is said of one adjustment’s control, beside its track and on the card. */
import { message, type Message } from '../message';
import { controlFor, workingOf, type Adjustment, type Control, type Move, type SeatModel } from '../seat';

/** A control and what hand and body do with it. */
export interface Shown {
  readonly control: Pick<Control, 'kind' | 'latch'>;
  readonly move: Pick<Move, 'action' | 'sitter'>;
}

/** A control in words and in pictures. */
export interface ControlWords {
  /** Hand, control, place; null where nobody described the control. */
  readonly control: Message | null;
  /** How it is worked, one sentence after the other. */
  readonly movement: readonly Message[];
  /** What of it can be shown in pictures. */
  readonly shown: Shown | null;
}

export const UNDESCRIBED: ControlWords = { control: null, movement: [], shown: null };

/**
 * Hand, control and place; and how it is worked, in the order in which it is done.
 * @returns null and nothing where nobody described the control. Definition.
 * @example
 * controlWords(seat, { ...seat.adjustments[0], id: 'unknown' }) // => { control: null, movement: [], shown: null }
 */
export function controlWords(seat: SeatModel, adjustment: Adjustment): ControlWords {
  const found = controlFor(seat.controls, adjustment.id);
  if (!found) return UNDESCRIBED;
  const { control, move } = found;
  return {
    control: message(`card.control${control.rank ? '.ranked' : ''}`, {
      hand: { word: `hand.${move.hand ?? control.hand}` },
      name: { text: control.name },
      place: { text: control.place },
      number: { count: control.rank?.number ?? 0 },
      of: { count: control.rank?.of ?? 0 },
    }),
    movement: workingOf(seat, control, move, adjustment),
    shown: {
      control: { kind: control.kind, latch: control.latch },
      move: { action: move.action, sitter: move.sitter },
    },
  };
}

/**
 * Whether the words of a position already say its value.
 * @returns false where a value has to stand beside them. Definition.
 * @example
 * saysValue({ key: 'position.length', values: { value: { mm: 445 } } }) // => true
 */
export const saysValue = (words: Message): boolean => 'value' in words.values;
