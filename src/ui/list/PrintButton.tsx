'use client'

/** Prints the page as it stands. */
export const PrintButton = () => (
  <button type="button" onClick={() => window.print()}>
    Print
  </button>
)
