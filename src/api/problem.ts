import type { Failure } from '@/contract/failure'
import { sentence } from '@/contract/sentences'
import { statusOf } from '@/contract/refusalStatus'
import { factsOf, problemsOf } from '@/contract/refusalFacts'

const TITLES: Readonly<Record<number, string>> = {
  400: 'The request cannot be read',
  401: 'Sign in first',
  403: 'Not from here',
  404: 'Not found',
  405: 'Not this way',
  409: 'Not as things stand',
  413: 'Too large',
  415: 'Not JSON',
  422: 'Not with these values',
  429: 'Too many at once',
  503: 'Not just now',
  500: 'Something broke on our side',
}

/** An error as RFC 9457 wants it. */
export const problem = (
  status: number,
  code: string,
  detail: string,
  errors: readonly { path: string; message: string }[] = [],
  more: {
    readonly facts?: Readonly<Record<string, string>>
    readonly headers?: Readonly<Record<string, string>>
  } = {},
): Response =>
  new Response(
    JSON.stringify({
      type: `urn:iron-till:problem:${code}`,
      title: TITLES[status] ?? 'Refused',
      status,
      detail,
      ...(errors.length > 0 ? { errors } : {}),
      ...more.facts,
    }),
    {
      status,
      headers: {
        'content-type': 'application/problem+json',
        'cache-control': 'no-store',
        ...(status === 401 ? { 'www-authenticate': 'Bearer' } : {}),
        ...more.headers,
      },
    },
  )

export const problemOf = (failure: Failure): Response =>
  problem(statusOf(failure), failure.code, sentence(failure), problemsOf(failure), {
    facts: factsOf(failure),
  })
