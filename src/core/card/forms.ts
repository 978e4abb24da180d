/** Forms of one card: everything for the record, large for the sitter, three levers, small enough for a pocket. */
export const CARD_FORMS = ['record', 'sitter', 'shared', 'pocket'] as const;
export type CardForm = (typeof CARD_FORMS)[number];

/**
 * Reads the name of a form.
 * @returns the whole card for any other text. Definition.
 * @example
 * cardFormOf('sitter') // => 'sitter'
 */
export const cardFormOf = (text: string | null): CardForm =>
  CARD_FORMS.find((form) => form === text) ?? 'record';
