/** Letters that are no letter with a mark, and how they are typed without it. */
const PLAIN: Readonly<Record<string, string>> = {
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ı: 'i',
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
}

/**
 * A text as it is searched and put in order: in small letters, without accents. `plain_text` of the database (migration 0068) does the same,
 * letter for letter: a test holds them against each other.
 *
 * @example plainText('Zoë MÜLLER, Große Straße') // zoe muller, grosse strasse
 */
export const plainText = (text: string): string =>
  // Letter by letter: at the end of a word a Greek sigma has another small letter, which the database does not know.
  Array.from(text.normalize('NFKD').replace(/[\u0300-\u036f]/g, ''), (letter) => letter.toLowerCase())
    .join('')
    .replace(/[øłđıßæœ]/g, (letter) => PLAIN[letter] ?? letter)

/**
 * The words of a text, plain: letters and figures, without marks of any script.
 *
 * @example plainWords('ADAIR, Zoë: INV 2026-0147') // adair, zoe, inv, 2026, 0147
 */
export const plainWords = (text: string): string[] =>
  plainText(text)
    .replace(/\p{M}/gu, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w !== '')
