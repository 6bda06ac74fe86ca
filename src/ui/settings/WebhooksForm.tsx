'use client'
import { useState } from 'react'
import { formatDay, type Day } from '@/core/day'
import { WEBHOOK_EVENTS, type WebhookEvent } from '@/core/kinds'
import { WEBHOOK_EVENT_NAMES, WEBHOOK_STATE_NAMES } from '@/core/names'
import type { AnswerTo } from '@/contract/calls'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormText } from '../form/inputs'
import { LedgerHead } from '../LedgerHead'
import { useSendAlone } from '../send'
import { SureButton } from '../SureButton'
import { To } from '../To'

const schema = () => import('@/contract/inputs/access/webhooks').then((m) => m.addWebhookInput)
type Delivery = Omit<AnswerTo<'GET', '/webhooks/{id}/deliveries'>['items'][number], 'happenedAt'> & {
  /** When it happened, as it is read. */
  readonly when: string
}

interface Props {
  readonly webhooks: readonly {
    readonly id: number
    readonly url: string
    readonly events: readonly WebhookEvent[]
    readonly madeOn: Day
    readonly deliveries: readonly Delivery[]
    /** Where they are shown with older ones, where there are any. */
    readonly older: string | null
  }[]
}

const START: Record<'url', string> & Record<'events', Record<WebhookEvent, boolean>> = {
  url: '',
  events: { paid: true, ordered: true, 'handed-over': true },
}

/** Programs that are told what happens: which there are, what they were told, and another one. */
export const WebhooksForm = ({ webhooks }: Props) => {
  const [made, setMade] = useState('')
  const { send } = useSendAlone()
  return (
    <section className="grid gap-3">
      <h2>Telling other programs (webhooks)</h2>
      {webhooks.map((w) => (
        <div key={w.id} className="border-l-4 border-paper-300 pl-3">
          <p className="flex flex-wrap items-baseline justify-between gap-x-4">
            <span className="font-bold break-all">{w.url}</span>
            <SureButton
              className="underline"
              label={`End ${w.url}`}
              sure="End for good"
              onSure={() => void send('DELETE', `/webhooks/${w.id}`, {}, { say: () => 'It is told nothing more.' })}
            >
              End
            </SureButton>
          </p>
          <p className="sub">
            {w.events.map((e) => WEBHOOK_EVENT_NAMES[e]).join(', ')}; since {formatDay(w.madeOn)}
          </p>
          <Deliveries rows={w.deliveries} older={w.older} />
        </div>
      ))}
      {made && (
        <p role="status" className="notice notice-good">
          Copy the secret that signs it now, it is shown only once:{' '}
          <code className="font-figure break-all">{made}</code>
        </p>
      )}
      <CommandForm
        method="POST"
        path="/webhooks"
        schema={schema}
        start={START}
        asBody={({ url, events }) => ({ url, events: WEBHOOK_EVENTS.filter((e) => events[e]) })}
        onSent={(w) => setMade(w.secret)}
        again
        submit="Add webhook"
        quiet
      >
        <FormText name="url" label="Address" most={500} placeholder="https://" />
        <div className="flex flex-wrap gap-x-5">
          {WEBHOOK_EVENTS.map((e) => (
            <FormCheck key={e} name={`events.${e}`} label={WEBHOOK_EVENT_NAMES[e]} />
          ))}
        </div>
      </CommandForm>
    </section>
  )
}

/** What a program was told lately, and what it answered. */
const Deliveries = ({ rows, older }: { readonly rows: readonly Delivery[]; readonly older: string | null }) => {
  const { send, busy } = useSendAlone()
  const again = (d: Delivery) =>
    send('POST', `/webhook-deliveries/${d.id}/retry`, {}, { say: () => 'It is sent again in a moment.' })
  return (
    rows.length > 0 && (
      <details className="mt-1">
        <summary className="cursor-pointer text-xs underline">Sent lately</summary>
        <table className="ledger mt-1">
          <LedgerHead heads={['Event', 'When', 'State', 'Answer']} />
          <tbody>
            {rows.map((d) => (
              <tr key={d.id}>
                <td>
                  {WEBHOOK_EVENT_NAMES[d.event]} <span className="sub">{d.path}</span>
                </td>
                <td>{d.when}</td>
                <td className={d.state === 'failed' ? 'text-oxide-700' : ''}>
                  {WEBHOOK_STATE_NAMES[d.state]}
                  {d.state !== 'delivered' && d.tries > 0 && (
                    <button className="ml-3 text-xs underline" disabled={busy} onClick={() => void again(d)}>
                      Send again
                    </button>
                  )}
                </td>
                <td>
                  {d.answered} {d.tries > 1 && <span className="sub">({d.tries} tries)</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {older && (
          <To stay className="inline-block py-1 text-xs underline" href={older}>
            Show older
          </To>
        )}
      </details>
    )
  )
}
