import { isBlank, type LineDraft } from './lineDraft'

interface Said {
  readonly path: string
  readonly message: string
}

/** What was refused, by the lines as they are shown: blank ones are not sent, so the third sent may be the fourth. */
export const asShown = (lines: readonly LineDraft[], errors: readonly Said[]): readonly Said[] => {
  const sent = lines.flatMap((l, i) => (isBlank(l) ? [] : [i]))
  return errors.map((e) => ({
    ...e,
    path: e.path.replace(/^lines\.(\d+)/, (path, n) =>
      sent[Number(n)] === undefined ? path : `lines.${sent[Number(n)]}`,
    ),
  }))
}

/** What was refused of each line, by the line's key and the field. */
export const problemsOf = (
  lines: readonly LineDraft[],
  errors: readonly Said[],
): ReadonlyMap<string, Readonly<Record<string, string>>> => {
  const problems = new Map<string, Readonly<Record<string, string>>>()
  for (const { path, message } of errors) {
    const [, n, field = ''] = /^lines\.(\d+)(?:\.(\w+))?/.exec(path) ?? []
    const key = n === undefined ? undefined : lines[Number(n)]?.key
    if (key !== undefined) problems.set(key, { ...problems.get(key), [field]: message })
  }
  return problems
}
