/** An address with some of its query changed; undefined takes a name out. */
export const withQuery = (
  path: string,
  query: Readonly<Record<string, string>>,
  change: Readonly<Record<string, string | undefined>>,
): string => {
  const next = new URLSearchParams(query)
  for (const [name, value] of Object.entries(change)) {
    if (value === undefined) next.delete(name)
    else next.set(name, value)
  }
  const text = next.toString()
  return text === '' ? path : `${path}?${text}`
}
