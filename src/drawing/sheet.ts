/** The settings card as a sheet of texts, in one reader's words: what the screen shows and both papers print. */
import type { Card } from '../core/card';
import type { Message } from '../core/message';
import { pictogramsOf } from './pictograms';
import { say, sayDate, t, word, type Reading } from '../words';

/** A paragraph; what leads it is set strong. */
export interface Paragraph {
  readonly lead: string | null;
  readonly text: string;
}

export interface SheetRow {
  readonly name: string;
  readonly verdict: string;
  readonly isEstimate: boolean;
  readonly setting: string;
  /** What a tape or a level must show, and how far it may be off. */
  readonly check: string | null;
  readonly control: string;
  /** Pictures of the control and of what is done with it. */
  readonly pictograms: readonly string[];
  /** The steps from measures to the setting; opened on screen, not printed. */
  readonly chain: readonly string[];
}

export interface Sheet {
  readonly title: string;
  /** Said beside the title of a card that was not signed off. */
  readonly draft: string | null;
  readonly facts: readonly { readonly name: string; readonly value: string }[];
  readonly refusals: readonly string[];
  readonly start: string | null;
  readonly head: readonly [string, string, string];
  readonly rows: readonly SheetRow[];
  /** Of further postures; without paragraphs where there are none. */
  readonly postures: { readonly title: string; readonly paragraphs: readonly Paragraph[] };
  readonly unreached: { readonly title: string; readonly paragraphs: readonly Paragraph[] };
  readonly cautions: { readonly title: string; readonly paragraphs: readonly Paragraph[] };
}

/** Each with its full stop; null where there is none. */
function sentences(...said: readonly (string | null)[]): string | null {
  const all = said.filter((s) => s !== null).map((s) => (s.endsWith('.') ? s : `${s}.`));
  return all.length > 0 ? all.join(' ') : null;
}

const plain = (text: string): Paragraph => ({ lead: null, text });

/** What is to be changed for the other postures. */
export const posturesOn = (card: Card, said: (m: Message) => string): readonly Paragraph[] =>
  card.postures.map(({ name, rows }) => ({
    lead: `${name}:`,
    text:
      rows.length === 0
        ? word('postures.same')
        : rows
            .map(({ kind, setting, check }) =>
              [`${word(`kind.${kind}`)}: ${said(setting)}`, check && said(check)].filter(Boolean).join(', '),
            )
            .join(' · '),
  }));

export function sheetOf(card: Card, isDraft: boolean, reading: Reading): Sheet {
  const said = (m: Message) => say(m, reading);
  const { header } = card;
  const about = (kind: string, text: string): Paragraph => ({ lead: `${t(`kind.${kind}`)}:`, text });
  const unreached: Paragraph[] = [
    ...card.remedies.map((m) => plain(said(m))),
    ...card.unreached.map((u) =>
      about(u.kind, [said(u.reason), u.remedy && said(u.remedy)].filter(Boolean).join(' ')),
    ),
    ...card.offered.map(({ closesAll, names, parts }) => ({
      lead: `${word(closesAll ? 'card.offered' : 'card.offered.partly')}:`,
      text: `${names.map(said).join(' + ')}. ${parts.map(said).join(' ')}`,
    })),
    ...(card.isUnsought ? [plain(word('card.unsought'))] : []),
    ...card.unmeasured.map((u) => about(u.kind, said(u.reason))),
    ...card.uncalculated.map((m) => plain(said(m))),
  ];
  const isReached =
    card.unreached.length + card.remedies.length + card.unmeasured.length + card.uncalculated.length === 0;
  return {
    title: word('card.title'),
    draft: isDraft ? word('card.draft') : null,
    facts: [
      { name: word('card.sitter'), value: header.sitter },
      { name: word('card.seat'), value: [header.seat, header.tag].filter(Boolean).join(' · ') },
      { name: word('card.place'), value: header.place ?? word('card.notPlaced') },
      { name: word('card.method'), value: header.method },
      { name: word('card.fitter'), value: header.fitter || '–' },
      { name: word('card.date'), value: sayDate(header.date, reading) },
    ],
    refusals:
      card.refusals.length === 0
        ? []
        : [...(card.refused ? [`${word('card.refused')}.`] : []), ...card.refusals.map(said)],
    start: card.start && said(card.start),
    head: [word('card.adjustment'), word('card.setting'), word('card.control.head')],
    rows: card.rows.map((row, i) => ({
      name: `${i + 1}. ${word(`kind.${row.kind}`)}`,
      verdict: row.verdict,
      isEstimate: row.isEstimate,
      chain: row.chain.map(said),
      setting: said(row.setting),
      check: sentences(row.check && said(row.check), row.tolerance && said(row.tolerance)),
      pictograms: row.shown ? pictogramsOf(row.shown.control, row.shown.move) : [],
      control: row.control ? sentences(said(row.control), ...row.movement.map(said))! : '–',
    })),
    postures: { title: word('card.postures'), paragraphs: posturesOn(card, said) },
    unreached: {
      title: word('card.unreached'),
      paragraphs: [
        ...unreached,
        ...(isReached && !header.isStopped ? [plain(word('card.allReached'))] : []),
        ...(card.estimated.length > 0
          ? [{ lead: `${word('card.estimated')}:`, text: card.estimated.map(said).join(' · ') }]
          : []),
        ...(card.angles.length > 0
          ? [{ lead: `${word('card.angles')}:`, text: card.angles.map(said).join(' · ') }]
          : []),
      ],
    },
    cautions: { title: word('card.cautions'), paragraphs: card.cautions.map((m) => plain(said(m))) },
  };
}
