/** What browsers call themselves, those first that name another one as well. */
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/\bEdgA?\//, 'Edge'],
  [/\b(OPR|Opera)\//, 'Opera'],
  [/\b(Firefox|FxiOS)\//, 'Firefox'],
  [/\b(Chrome|Chromium|CriOS|HeadlessChrome)\//, 'Chrome'],
  [/\bSafari\//, 'Safari'],
]
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/\b(iPhone|iPod)\b/, 'iPhone'],
  [/\biPad\b/, 'iPad'],
  [/\bAndroid\b/, 'Android'],
  [/\bWindows\b/, 'Windows'],
  [/\bMac OS X\b/, 'Mac'],
  [/\bCrOS\b/, 'ChromeOS'],
  [/\bLinux\b/, 'Linux'],
]

const nameIn = (names: readonly (readonly [RegExp, string])[], agent: string): string | undefined =>
  names.find(([says]) => says.test(agent))?.[1]

/**
 * What a browser is called that says so of itself, for whoever looks where they are signed in. It may say anything: only known names are
 * taken, and what says none of them is called another program.
 *
 * @example browserName('Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0') // Firefox on Linux
 */
export const browserName = (agent: string): string => {
  const [browser, system] = [nameIn(BROWSERS, agent), nameIn(SYSTEMS, agent)]
  if (browser === undefined) return 'Another program'
  return system === undefined ? browser : `${browser} on ${system}`
}
