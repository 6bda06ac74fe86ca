import { connection } from 'next/server'

/** An address of nothing. Made for each request: the policy of pages lets only scripts of this very answer run. */
export default async function NotFound() {
  await connection()
  return (
    <main className="mx-auto max-w-xl px-4 py-10">
      <h1>Page not found</h1>
      <p className="mt-2">
        Check the address, or go to{' '}
        <a className="underline" href="/">
          the first page
        </a>
        .
      </p>
    </main>
  )
}
