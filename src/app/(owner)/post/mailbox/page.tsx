import { readMailbox } from '@/model/post/post'
import type { Metadata } from 'next'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Test mailbox' }

export default async function Mailbox() {
  const mails = await readMailbox(await openShop())
  return (
    <>
      <Heading
        title="Test mailbox"
        beside="Emails land here until you set up a mail server. Customers do not receive them."
      />
      {mails.length === 0 ? (
        <Empty>No emails yet.</Empty>
      ) : (
        <ul className="grid max-w-205 gap-3">
          {mails.map((m) => (
            <li key={m.id}>
              <details className="border border-paper-300 bg-white">
                <summary className="cursor-pointer px-4 py-2">
                  <span className="sub">{m.recipient}</span> <b>{m.subject}</b>
                </summary>
                <div className="border-t border-paper-200 px-4 py-3">
                  <p className="sub mb-2">from {m.sender}</p>
                  <p className="whitespace-pre-line">{m.body}</p>
                  <p className="mt-3 flex gap-4">
                    {m.attachments.map((name, i) => (
                      <a key={name} className="underline" href={`/api/v1/export/mailbox/${m.id}/${i}`} target="_blank">
                        {name}
                      </a>
                    ))}
                  </p>
                </div>
              </details>
            </li>
          ))}
        </ul>
      )}
    </>
  )
}
