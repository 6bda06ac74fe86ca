'use client'
import { useSend } from '../send'
import { Refusal } from '../Refusal'

export const Shopfront = ({ open }: { readonly open: boolean }) => {
  const { send, busy, refused } = useSend()
  return (
    <section>
      <h2>Shopfront</h2>
      <p className="mb-2">
        {open ? (
          <>
            It is open at{' '}
            <a className="underline" href="/shop" target="_blank">
              /shop
            </a>
            . Goods marked for it stand there.
          </>
        ) : (
          'It is closed. Open it, and goods marked for it can be ordered from a page of your own.'
        )}
      </p>
      <button
        className="btn"
        disabled={busy}
        onClick={() =>
          void send(
            'PATCH',
            '/settings',
            { shopfrontOpen: !open },
            { say: () => (open ? 'The shopfront is closed.' : 'The shopfront is open.') },
          )
        }
      >
        {open ? 'Close the shopfront' : 'Open the shopfront'}
      </button>
      <Refusal refused={refused} />
    </section>
  )
}

export const LinksOpen = ({ all }: { readonly all: boolean }) => {
  const { send, busy, refused } = useSend()
  return (
    <section>
      <h2>Links to customers’ pages</h2>
      <p className="mb-2">
        {all
          ? 'A link to a sale opens everything of its customer: all their sales, papers and what they owe.'
          : 'A link opens its own sale, its papers, and what is owed on it; nothing else of the customer.'}{' '}
        Each ends after 180 days, and can be turned off on the customer’s page.
      </p>
      <button
        className="btn"
        disabled={busy}
        onClick={() =>
          void send('PATCH', '/settings', { linksOpenAll: !all }, { say: () => 'Kept, for links made from now on.' })
        }
      >
        {all ? 'Open only the sale' : 'Open everything of the customer'}
      </button>
      <Refusal refused={refused} />
    </section>
  )
}
