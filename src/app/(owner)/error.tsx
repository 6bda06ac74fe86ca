'use client'

export default function Broken({ reset }: { error: Error; reset: () => void }) {
  return (
    <>
      <h1>Something went wrong</h1>
      <p className="mt-2 mb-3">This page could not be shown. Nothing was changed, and everything you saved is safe.</p>
      <button className="btn btn-do" data-primary onClick={reset}>
        Try again
      </button>
    </>
  )
}
