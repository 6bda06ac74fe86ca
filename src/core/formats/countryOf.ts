/** Letters that are no country of ISO 3166-1, though they have a name. */
const NO_COUNTRY = new Set(['EU', 'EZ', 'UN', 'QO', 'XA', 'XB', 'ZZ'])

/** Letters that stand for another country today, as those of one that is no more. */
const isOld = (code: string): boolean => new Intl.Locale(`und-${code}`).region !== code

const LETTERS = Array.from({ length: 26 }, (_, i) => String.fromCodePoint(65 + i))
let known: ReadonlyMap<string, string> | null = null

/** Countries by their letters and by their English names, in capitals. */
const countries = (): ReadonlyMap<string, string> => {
  if (known) return known
  const names = new Intl.DisplayNames(['en'], { type: 'region', fallback: 'none' })
  const all = LETTERS.flatMap((a) => LETTERS.map((b) => a + b))
  known = new Map(
    all.flatMap((code): [string, string][] => {
      const name = NO_COUNTRY.has(code) || isOld(code) ? undefined : names.of(code)
      return name
        ? [
            [code, code],
            [name.toUpperCase(), code],
          ]
        : []
    }),
  )
  return known
}

/**
 * The country an address says on its last line, as post wants it: by its English name or its two letters (ISO 3166-1). Null where
 * that line is something else; nothing is guessed from towns or states.
 *
 * @example countryOf('Rosenweg 3\n50667 Köln\nGermany') // DE
 * @example countryOf('12 Mill Lane\nBoston, MA') // none
 */
export const countryOf = (address: string): string | null => {
  const lines = address
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '')
  return lines.length < 2 ? null : (countries().get((lines.at(-1) ?? '').toUpperCase()) ?? null)
}

/**
 * The country of a region's tag, where it names one or has a usual one; else nothing.
 *
 * @example homeCountry('de-AT') // AT
 * @example homeCountry('en') // US
 */
export const homeCountry = (locale: string): string => new Intl.Locale(locale).maximize().region ?? ''
