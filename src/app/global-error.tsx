'use client'

/** Where not even the frame of the page could be drawn, such as after the program was renewed under an open window. */
export default function GlobalError() {
  return (
    <html lang="en">
      <body
        style={{ margin: '15vh auto', maxWidth: '32rem', padding: '0 1rem', font: '1rem/1.5 system-ui, sans-serif' }}
      >
        <h1>This page could not be shown.</h1>
        <p>
          Nothing was changed, and everything you saved is safe. Load the page again; if that does not help, start again
          at Today.
        </p>
        <p>
          <button type="button" onClick={() => location.reload()}>
            Load it again
          </button>{' '}
          <a href="/today">Today</a>
        </p>
      </body>
    </html>
  )
}
