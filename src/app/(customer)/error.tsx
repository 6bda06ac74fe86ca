'use client'

/** What a customer sees where something of ours broke: nothing they typed went anywhere, and they may try again. */
export default function Broken({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl px-4 py-10">
      <h1>That did not work</h1>
      <p className="mt-2 mb-3">Something broke on our side, not on yours. Nothing was ordered or paid by it.</p>
      <button className="btn btn-do" onClick={reset}>
        Try again
      </button>
    </main>
  )
}
