/** What is tried first at a door of ours, whatever a business is called. */
const OUR_WORDS = ['irontill', 'password']

const lettersOf = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}]/gu, '')

/** Passwords that were found in what was stolen elsewhere, the most frequent first; those too short for us do no harm in it. */
const stolen = async (): Promise<ReadonlySet<string>> => {
  const { dictionary } = await import('@zxcvbn-ts/language-common')
  return new Set(dictionary['passwords-common'])
}

/**
 * Why a new passphrase would be guessed soon, as a sentence; null where nothing says so. Whoever guesses begins with what thousands use
 * (OWASP ASVS 6.2.4, 6.2.12) and with what the door says of itself (6.2.11): the name of the business and the program's, and with the word
 * *password*, with figures and signs around them.
 *
 * @example await easyToGuess('Trustno1', 'Fern Strings') // 'Thousands use this, so it is tried first. …'
 * @example await easyToGuess('fern-strings 2026', 'Fern Strings') // 'Whoever reads the name on the door tries this first. …'
 */
export const easyToGuess = async (passphrase: string, business: string): Promise<string | null> => {
  const instead = 'Three or four random words work well.'
  const letters = lettersOf(passphrase)
  if (letters !== '' && [...OUR_WORDS, lettersOf(business)].includes(letters))
    return `Whoever reads the name on the door tries this first. ${instead}`
  return (await stolen()).has(passphrase.trim().toLowerCase())
    ? `Thousands use this, so it is tried first. ${instead}`
    : null
}
