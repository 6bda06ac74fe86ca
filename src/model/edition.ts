import { createHash } from 'node:crypto'

/**
 * What something says, in a few letters: others as soon as any of it differs. Whoever changes a whole tells which one they looked at, so
 * that of two windows the second does not undo the first.
 */
export const editionIn = (says: unknown): string =>
  createHash('sha256').update(JSON.stringify(says)).digest('base64url').slice(0, 16)
