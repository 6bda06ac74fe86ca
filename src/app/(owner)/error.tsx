'use client'

export default function Broken({ reset }: { error: Error; reset: () => void }) {
  return (
    <>
      <h1>That did not work</h1>
      <p className="mt-2 mb-3">
        Something broke on our side. Nothing was changed by it; what was saved before is safe.
      </p>
      <button className="btn btn-do" data-primary onClick={reset}>
        Try again
      </button>
    </>
  )
}
