/** The forms of a card beside the whole sheet, in one reader's words: for the sitter, a shared seat, the pocket. */
import type { Card, CardForm, CardRow } from '../core/card';
import { UNSET } from '../core/card/unset';
import type { CardMore } from '../core/walk';
import type { Message } from '../core/message';
import { say, sayDate, sayWith, word, type Reading } from '../words';
import '../words/cards';
import { pictogramsOf } from './pictograms';
import { posturesOn, type Paragraph } from './sheet';

export type PlainForm = Exclude<CardForm, 'record'>;

export interface PlainStep {
  readonly name: string;
  readonly setting: string;
  /** What a tape or a level must show; null where neither tells. */
  readonly check: string | null;
  /** Hand, control, place, and how it is worked; null where nobody described it, or where there is no room for it. */
  readonly how: string | null;
  readonly pictograms: readonly string[];
}

export interface Block {
  readonly title: string;
  readonly paragraphs: readonly Paragraph[];
}

export interface PlainSheet {
  readonly form: PlainForm;
  readonly title: string;
  readonly draft: string | null;
  /** Whose it is and on which seat; who set it and when. */
  readonly heads: readonly string[];
  readonly refusals: readonly string[];
  /** Before the steps. */
  readonly first: readonly string[];
  readonly steps: readonly PlainStep[];
  /** Said below the steps. */
  readonly rest: readonly string[];
  /** Those without paragraphs are left out. */
  readonly blocks: readonly Block[];
  /** What stands beside the code. */
  readonly code: string;
}

const plain = (text: string): Paragraph => ({ lead: null, text });
const stopped = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`);

/** Of a suspension: what nobody sets by a number, or must not read there; null of everything else. */
function ownWeight({ kind, movement }: CardRow, form: PlainForm): string | null {
  if (kind !== 'suspensionWeight') return null;
  if (movement.some(({ key }) => key === 'working.weighs')) return word('cards.ownWeight.weighs');
  // The card of a shared seat hangs beside it: nobody’s mass is read there.
  return form === 'shared' ? word('cards.ownWeight') : null;
}

function stepOf(row: CardRow, form: PlainForm, number: number, reading: Reading): PlainStep {
  const said = (m: Message) => say(m, reading);
  const how = row.control ? [row.control, ...row.movement].map((m) => stopped(said(m))).join(' ') : null;
  return {
    name: `${number}. ${word(`kind.${row.kind}`)}`,
    setting: ownWeight(row, form) ?? said(row.setting),
    check: row.check && said(row.check),
    how: form === 'pocket' ? null : how,
    pictograms: form !== 'pocket' && row.shown ? pictogramsOf(row.shown.control, row.shown.move) : [],
  };
}

/** What the steps leave unsaid: on a shared seat that the rest stays, on every other what does not reach. */
function restOf(form: PlainForm, card: Card, { levers }: CardMore): string[] {
  if (card.header.isStopped || card.refused) return [];
  if (form !== 'shared') {
    const list = card.unreached.map(({ kind }) => word(`kind.${kind}`)).join(', ');
    return list === '' ? [] : [sayWith('cards.off', { list })];
  }
  if (levers.kinds.length === 0) return [word('cards.rest.none')];
  return [
    word('cards.rest'),
    ...(levers.others > 0 ? [sayWith('cards.rest.others', { number: levers.others })] : []),
  ];
}

function byWords(fitter: string, date: string, isDraft: boolean): string {
  const draft = isDraft ? '.draft' : '';
  return fitter ? sayWith(`cards${draft}.by`, { fitter, date }) : sayWith(`cards${draft}.on`, { date });
}

/**
 * A card in one of its plain forms.
 * @param more what goes with it
 * @returns the same texts for screen and paper
 */
export function plainSheetOf(
  form: PlainForm,
  card: Card,
  more: CardMore,
  isDraft: boolean,
  reading: Reading,
): PlainSheet {
  const said = (m: Message) => say(m, reading);
  const { header } = card;
  const date = sayDate(header.date, reading);
  // A seat that must not be used is not set: that is said, and nothing that could be done all the same.
  const isUsed = !header.isStopped && !card.refused;
  const rows = card.rows
    .filter(({ setting }) => !UNSET.includes(setting.key))
    .filter(({ kind }) => form !== 'shared' || more.levers.kinds.includes(kind));
  // Whoever sets the seat alone is told first when to leave it; nobody reads as far as the end.
  const isFirst = (m: Message): boolean => form === 'sitter' && isUsed && m.key === 'caution.clinician';
  const blocks: readonly Block[] = [
    { title: word('cards.notes'), paragraphs: isUsed ? card.remedies.map((m) => plain(said(m))) : [] },
    {
      title: word('card.postures'),
      paragraphs: isUsed && form !== 'shared' ? posturesOn(card, said) : [],
    },
    {
      title: word('cards.move'),
      paragraphs: form === 'sitter' ? more.move.map((m) => plain(said(m))) : [],
    },
    {
      title: word('card.cautions'),
      paragraphs: card.cautions.filter((m) => !isFirst(m)).map((m) => plain(said(m))),
    },
  ];
  return {
    form,
    title: word(`cards.title.${form}`),
    draft: isDraft ? word('card.draft') : null,
    heads: [
      sayWith('cards.for', {
        sitter: header.sitter,
        seat: [header.seat, header.tag].filter(Boolean).join(' · '),
      }),
      byWords(header.fitter, date, isDraft),
    ],
    refusals: [
      ...(card.refused && card.refusals.length > 0 ? [`${word('card.refused')}.`] : []),
      ...card.refusals.map(said),
    ],
    first: [
      ...card.cautions.filter(isFirst).map(said),
      ...(isUsed && form !== 'shared' && card.start ? [stopped(said(card.start))] : []),
    ],
    steps: isUsed ? rows.map((row, i) => stepOf(row, form, i + 1, reading)) : [],
    rest: restOf(form, card, more),
    blocks: blocks.filter(({ paragraphs }) => paragraphs.length > 0),
    code: word('cards.code'),
  };
}

/** What was left at the seat, for the record: each adjustment that differs, with why; null where no walk was signed off. */
export function asLeftBlock({ asLeft }: CardMore, reading: Reading): Block | null {
  if (!asLeft) return null;
  const said = (m: Message) => say(m, reading);
  const date = sayDate(asLeft.at, reading);
  const differing = asLeft.rows.filter(({ why, note }) => why.length > 0 || note !== null);
  return {
    title: word('left.title'),
    paragraphs: [
      plain(
        asLeft.by
          ? sayWith('left.signed', { fitter: asLeft.by, date })
          : sayWith('left.signed.unnamed', { date }),
      ),
      ...(differing.length === 0 ? [plain(word('left.allSame'))] : []),
      ...differing.map(({ kind, computed, reached, left, why, note }) => ({
        lead: `${word(`kind.${kind}`)}:`,
        text: [
          `${[
            computed && sayWith('left.wasComputed', { setting: said(computed) }),
            reached && sayWith('left.wasReached', { setting: said(reached) }),
            sayWith('left.isLeft', { setting: left ? said(left) : word('left.notSet') }),
          ]
            .filter(Boolean)
            .join('; ')}.`,
          ...why.map((m) => stopped(said(m))),
          ...(note === null ? [] : [`“${note}”.`]),
        ].join(' '),
      })),
    ],
  };
}
