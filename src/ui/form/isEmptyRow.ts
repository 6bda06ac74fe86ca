/** Only texts and lists are typed; the rest is chosen, or came with the row. */
const isNothing = (name: string, value: unknown): boolean =>
  typeof value === 'string'
    ? value.trim() === '' || (name === 'quantity' && value === '0')
    : !Array.isArray(value) || value.length === 0

/**
 * Whether nothing is typed into a row, but for a quantity of zero. Such a row is left out of what is sent; of any other nothing may be
 * lost, so it is sent as it stands, and what is missing in it is asked for at its field.
 */
export const isEmptyRow = (row: object): boolean => Object.entries(row).every(([name, value]) => isNothing(name, value))
