'use client'
import { useState } from 'react'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { Levels } from './Levels'
import { Areas } from './Areas'
import { Shopfront, LinksOpen } from './Shopfront'
import { Mail } from './MailServer'
import type { TradeFacts } from './tradeFacts'

/** Kinds of sale, price levels, tax areas, the shopfront, and how mail goes. */
export const TradeForm = ({ kinds, shopfrontOpen, linksOpenAll, hasMailServer, levels, areas, codes }: TradeFacts) => (
  <>
    <Kinds kinds={kinds} />
    <Levels levels={levels} />
    <Areas areas={areas} codes={codes} />
    <Shopfront open={shopfrontOpen} />
    <LinksOpen all={linksOpenAll} />
    <Mail has={hasMailServer} />
  </>
)

const Kinds = ({ kinds }: { readonly kinds: readonly string[] }) => {
  const [typed, setTyped] = useState(kinds.join(', '))
  const { send, busy, refused } = useSend()
  const wanted = typed
    .split(',')
    .map((k) => k.trim())
    .filter(Boolean)
  return (
    <section>
      <h2>Kinds of sale</h2>
      <div className="flex items-end gap-2">
        <div className="flex-1">
          <Text
            label="With commas; the first is the usual one"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            problem={messageFor(refused, 'kinds')}
          />
        </div>
        <button
          className="btn"
          disabled={busy}
          onClick={() => void send('PATCH', '/settings', { kinds: wanted }, { say: () => 'Kept.' })}
        >
          Keep
        </button>
      </div>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
    </section>
  )
}
