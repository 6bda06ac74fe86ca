'use client'
import { useSend } from '../send'
import { Refusal } from '../Refusal'

export const Shopfront = ({ open }: { readonly open: boolean }) => {
  const { send, busy, refused } = useSend()
  return (
    <section>
      <h2>Online shop</h2>
      <p className="mb-2">
        {open ? (
          <>
            It is open at{' '}
            <a className="underline" href="/shop" target="_blank">
              /shop
            </a>
            , showing goods marked for it.
          </>
        ) : (
          'Closed. When open, customers can order marked goods from a web page.'
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
            { say: () => (open ? 'The online shop is closed.' : 'The online shop is open.') },
          )
        }
      >
        {open ? 'Close online shop' : 'Open online shop'}
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
          ? 'A link to a sale opens everything of its customer: all sales, documents and what they owe.'
          : 'A link opens its own sale, its documents, and what is owed on it; nothing else of the customer.'}{' '}
        Each ends after 180 days, and can be turned off on the customer’s page.
      </p>
      <button
        className="btn"
        disabled={busy}
        onClick={() =>
          void send('PATCH', '/settings', { linksOpenAll: !all }, { say: () => 'Saved, for links made from now on.' })
        }
      >
        {all ? 'Open only the sale' : 'Open everything of the customer'}
      </button>
      <Refusal refused={refused} />
    </section>
  )
}
