/** Cells that a spreadsheet would compute instead of show: defused on the way out, told on the way in. */

/** Signs with which a spreadsheet begins a formula, in both widths. */
const STARTS = '=+\\-@＝＋－＠';
const FORMULA = new RegExp(`^[${STARTS}]`, 'u');
const DEFUSED = new RegExp(`^'+[${STARTS}]`, 'u');

/**
 * Whether a spreadsheet would calculate a text.
 * @returns false for plain text and numbers. Common practice, no source.
 */
export const isFormula = (text: string): boolean => FORMULA.test(text);

/**
 * With an apostrophe before it where a spreadsheet would compute it; `fused` takes exactly that away again.
 * @returns plain text as it is. Common practice, no source.
 * @example
 * defused('=1+1') // => "'=1+1"
 */
export const defused = (text: string): string =>
  FORMULA.test(text) || DEFUSED.test(text) ? `'${text}` : text;

/**
 * Takes away the apostrophe that `defused` put before a text.
 * @returns any other text as it is. Definition.
 */
export const fused = (text: string): string => (DEFUSED.test(text) ? text.slice(1) : text);
