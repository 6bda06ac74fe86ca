'use client'
import { To } from '@/ui/To'
import { useSend } from '../send'
import { Refusal } from '../Refusal'

interface Props {
  readonly links: readonly {
    readonly id: number
    readonly saleId: number | null
    readonly opens: string
    readonly until: string
    readonly seen: string
  }[]
}

/** The links to a customer's own page that open something now; each can be turned off. */
export const Links = ({ links }: Props) => {
  const { send, busy, refused } = useSend()
  return (
    <section>
      <h2>Links to their page</h2>
      <table className="ledger">
        <tbody>
          {links.map((l) => (
            <tr key={l.id}>
              <td>
                {l.saleId === null ? (
                  l.opens
                ) : (
                  <To href={`/sales/${l.saleId}`} className="hover:underline">
                    {l.opens}
                  </To>
                )}
              </td>
              <td className="sub">
                until {l.until}, {l.seen}
              </td>
              <td className="r">
                <button
                  className="underline"
                  disabled={busy}
                  aria-label={`Turn off the link to ${l.opens}`}
                  onClick={() =>
                    void send(
                      'DELETE',
                      `/links/${l.id}`,
                      {},
                      {
                        say: () => 'The link is turned off.',
                      },
                    )
                  }
                >
                  Turn off
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Refusal refused={refused} />
    </section>
  )
}
