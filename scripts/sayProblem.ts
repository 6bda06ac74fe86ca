import { databaseError } from '../src/data/databaseError'

/** What a database that was named answers, in the words of whoever named it. */
const OF_DATABASE: readonly (readonly [RegExp, string])[] = [
  [
    /^28P01$|^28000$/,
    'The database named in DATABASE_URL does not take that user and password. Look at both, then start again.',
  ],
  [/^3D000$/, 'There is no database of the name given in DATABASE_URL. Make it first, or correct the name.'],
  [/^42501$/, 'The user named in DATABASE_URL may not make tables there. Give it the right to, or name another one.'],
  [
    /^ECONNREFUSED$|^ENOTFOUND$|^EAI_AGAIN$|^EHOSTUNREACH$/,
    'Nothing answers at the address in DATABASE_URL. Start that server, or correct host and port.',
  ],
  [
    /^CONNECT_TIMEOUT$|^ETIMEDOUT$/,
    'The server named in DATABASE_URL takes the connection but does not answer. Look at it, or name another one.',
  ],
]

const codesOf = (problem: unknown): string[] => {
  const codes: string[] = []
  for (let at = problem; at instanceof Error; at = at.cause) {
    if ('code' in at && typeof at.code === 'string') codes.push(at.code)
    if (at instanceof AggregateError) codes.push(...at.errors.flatMap(codesOf))
  }
  return codes
}

/** Why a start failed, and what to do about it. */
export const sayProblem = (problem: unknown): string => {
  const text = problem instanceof Error ? problem.message : String(problem)
  const codes = [...codesOf(problem), databaseError(problem)?.code ?? '']
  if (/ENOSPC|No space left|53100/.test(`${text} ${codes.join(' ')}`))
    return `${text} The disk is full; make room and start again, nothing was broken.`
  const known = OF_DATABASE.find(([pattern]) => codes.some((code) => pattern.test(code)))
  return known && process.env.DATABASE_URL ? known[1] : text
}
