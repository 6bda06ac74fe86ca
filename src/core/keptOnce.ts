/** What the process keeps once by a name, made when it is first asked for: pages and calls are two copies of the program in it. */
export const keptOnce = <T extends object>(name: string, make: () => T): T => {
  const kept: unknown = Reflect.get(globalThis, name)
  if (kept !== undefined) return kept as T
  const made = make()
  Reflect.set(globalThis, name, made)
  return made
}
