/**
 * An address in one line, as it stands in lists and in fields of one line.
 *
 * @example addressLine('2 Far Road\nOuterton') // 2 Far Road, Outerton
 */
export const addressLine = (address: string): string => address.trim().replace(/\s*\n\s*/g, ', ')
