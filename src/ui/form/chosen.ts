/** What was found for a field: the form holds its id, the field shows its name. */
export interface Chosen {
  readonly id: string
  readonly name: string
}

const all = new WeakMap<object, Map<string, Chosen>>()

/** What was found in a form (its control), by the names of its fields: a form that is brought back shows it again. */
export const chosenOf = (control: object): Map<string, Chosen> => {
  const chosen = all.get(control) ?? new Map<string, Chosen>()
  all.set(control, chosen)
  return chosen
}
