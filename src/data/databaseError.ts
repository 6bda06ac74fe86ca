/** The database's own error behind whatever wrapped it, if there is one. */
export const databaseError = (problem: unknown): { code: string; constraint_name?: string } | null => {
  for (let at = problem; at instanceof Error; at = at.cause) {
    const code = (at as { code?: unknown }).code
    if (typeof code === 'string' && /^[0-9A-Z]{5}$/.test(code)) return at as never
  }
  return null
}
