import { addDays, day, daysBetween, isDay, type Day } from '../day'

/** What a backup is called: by the moment it was made, in the time of the world, so that names sort by it. */
export const backupName = (at: Date): string =>
  `iron-till-${at.toISOString().slice(0, 16).replace(/[-:]/g, '').replace('T', '-')}.backup`

/** The day in the name of a backup; null where it is none of ours. */
export const backupDay = (name: string): Day | null => {
  const said = /^iron-till-(\d{4})(\d{2})(\d{2})-\d{4}\.backup$/.exec(name)
  const on = said && `${said[1]}-${said[2]}-${said[3]}`
  return on && isDay(on) ? on : null
}

/** So many days each has its backup; then so many weeks one, and so many months one. */
const [DAYS, WEEKS, MONTHS] = [7, 5, 12]

const weekOf = (d: Day): number => Math.floor(daysBetween(day('1990-01-01'), d) / 7)

/**
 * Which backups are kept: all of the last seven days, the newest of each of the last five weeks and of each of the last twelve
 * months. By their names, in any order; what is none of ours is not among them.
 *
 * @example one a day for a year → 7 days, about 4 more weeks, and about 11 more months
 */
export const keptBackups = (names: readonly string[], today: Day): ReadonlySet<string> => {
  const dated = names
    .flatMap((name) => {
      const on = backupDay(name)
      return on ? [{ name, on }] : []
    })
    .toSorted((a, b) => (a.name < b.name ? 1 : -1))
  const kept = new Set<string>()
  const first = new Set<string>()
  for (const { name, on } of dated) {
    const keys = [
      ...(on > addDays(today, -DAYS) ? [name] : []),
      ...(on > addDays(today, -7 * WEEKS) ? [`week ${weekOf(on)}`] : []),
      ...(on > addDays(today, -31 * MONTHS) ? [`month ${on.slice(0, 7)}`] : []),
    ]
    if (keys.some((k) => !first.has(k))) kept.add(name)
    for (const k of keys) first.add(k)
  }
  return kept
}
