const LETTERS: Record<string, string> = {
  ø: 'o',
  æ: 'ae',
  å: 'a',
  ð: 'd',
  þ: 'th',
  ß: 'ss',
  ł: 'l',
  đ: 'd',
  œ: 'oe',
};

/** A name for searching: lower case, no accents. */
export function fold(name: string): string {
  return name
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[øæåðþßłđœ]/g, (c) => LETTERS[c] ?? c)
    .replace(/\s+/g, ' ')
    .trim();
}
