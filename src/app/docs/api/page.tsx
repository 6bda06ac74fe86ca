import type { Metadata } from 'next'
import { openApi } from '@/api/openapi'
import { LISTS } from '@/api/lists'
import { PARTS } from '@/api/operations'
import { Named } from './Named'

export const metadata: Metadata = { title: 'HTTP interface' }
// The policy of pages lets only scripts of this very answer run.
export const dynamic = 'force-dynamic'

interface Body {
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: unknown }>> }
}

export default function ApiPage() {
  const { paths } = openApi() as { paths: Record<string, Record<string, Body>> }
  return (
    <main className="mx-auto max-w-215 px-5 py-8">
      <h1>The HTTP interface</h1>
      <p className="mt-2 mb-6 max-w-prose">
        Everything the screens do, for other programs. JSON under <code className="font-figure">/api/v1</code>; a token
        from Settings as <code className="font-figure">Authorization: Bearer …</code>. Money is a decimal string,
        quantities are decimal strings, dates YYYY-MM-DD. A POST with an{' '}
        <code className="font-figure">Idempotency-Key</code> happens once. Refusals are problem+json and say what to do.
        The whole as{' '}
        <a className="underline" href="/api/v1/openapi.json">
          OpenAPI 3.1
        </a>
        .
      </p>
      <p className="mb-6 max-w-prose">
        Every list of the screens is at <code className="font-figure">/export/{'{list}'}.json</code>, also as .csv,
        .xlsx and .pdf, with the filter and the order of its page:{' '}
        <code className="font-figure">{Object.keys(LISTS).join(', ')}</code>.
      </p>
      <Named />
      {Object.entries(PARTS).map(([part, operations]) => (
        <section key={part} className="mb-8">
          <h2>{part}</h2>
          {operations.map((o) => {
            const body = paths[o.path]?.[o.method.toLowerCase()]?.requestBody
            return (
              <details key={`${o.method} ${o.path}`} className="border-b border-paper-200 py-2">
                <summary className="cursor-pointer">
                  <code className="font-figure">
                    {o.method} {o.path}
                  </code>{' '}
                  <span className="text-iron-500">{o.summary}</span>
                </summary>
                {body ? (
                  <pre tabIndex={0} className="mt-2 overflow-x-auto bg-paper-100 p-3 font-figure text-xs">
                    {JSON.stringify(Object.values(body.content)[0]?.schema, null, 2)}
                  </pre>
                ) : (
                  <p className="sub mt-1">It takes no body.</p>
                )}
              </details>
            )
          })}
        </section>
      ))}
    </main>
  )
}
