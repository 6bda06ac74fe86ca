'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { AsideTurn } from '@/core/kinds'
import type { Day } from '@/core/day'
import { Acts } from '../acts/Acts'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { DoPanel } from './panels/DoPanel'
import type { SheetSale } from './panels/parts'
import { DOINGS, OFTEN, SALE_GROUPS, saleActsOf, type Doing, type SaleActId } from './saleActs'

interface Props {
  readonly sale: SheetSale
  /** Changes whenever something happened to the sale. */
  readonly version: string
  readonly today: Day
  readonly start?: Doing
  /** What the program suggests first; its button is the page's primary one. */
  readonly suggested: SaleActId | null
}

const ASIDE_SAYS: Readonly<Record<AsideTurn, string>> = {
  first: 'What is in stock is set aside for this sale first.',
  last: 'Released: others have what was set aside.',
  'in turn': 'Set aside in the order in which sales were ordered.',
}

const isDoing = (id: SaleActId): id is Doing => DOINGS.some((d) => d === id)

/** Everything that can be done with a sale now; each opens its panel, filled in. */
export const SaleActs = ({ sale, version, today, start, suggested }: Props) => {
  const router = useRouter()
  const [doing, setDoing] = useState<Doing | null>(start ?? null)
  const { send, busy, refused } = useSend()
  const acts = saleActsOf(sale)
  const close = () => {
    setDoing(null)
    // A panel opened by its address does not open again when the page is read anew.
    if (start) router.replace(location.pathname, { scroll: false })
  }
  const copy = () =>
    send(
      'POST',
      `/sales/${sale.id}/copy`,
      {},
      { say: (s) => `Copied to sale ${s.number}, at today’s prices.`, go: (s) => `/sales/${s.id}/change` },
    )
  const pick = () =>
    send('POST', `/sales/${sale.id}/picks`, {}, { say: (p) => `Pick list ${p.number}.`, go: (p) => `/picks/${p.id}` })
  const order = () =>
    send(
      'POST',
      `/sales/${sale.id}/purchase-orders`,
      {},
      {
        say: ({ orders }) =>
          `Ordered from ${orders.map((o) => `${o.supplier}: draft ${o.number}`).join('; ')}. Look at it, then mark it as sent.`,
        go: ({ orders }) => (orders.length === 1 ? `/buying/orders/${orders[0]?.id ?? 0}` : '/buying?status=draft'),
      },
    )
  const setAside = (turn: AsideTurn) =>
    send('POST', `/sales/${sale.id}/set-aside`, { turn }, { say: () => ASIDE_SAYS[turn] })
  const atOnce = (id: SaleActId) => {
    if (id === 'pick') return pick()
    if (id === 'order') return order()
    if (id === 'aside-first') return setAside('first')
    if (id === 'aside-last') return setAside('last')
    if (id === 'aside-in-turn') return setAside('in turn')
    return copy()
  }
  const isOpen = sale.stands !== 'settled' && sale.stands !== 'declined' && sale.stands !== 'cancelled'
  const first =
    acts.find((a) => a.id === suggested) ??
    (isOpen ? OFTEN.flatMap((id) => acts.filter((a) => a.id === id))[0] : undefined)
  return (
    <>
      <Acts
        acts={acts}
        first={first?.id ?? null}
        near={suggested === 'remind' ? ['take', ...OFTEN] : OFTEN}
        groups={SALE_GROUPS}
        onAct={(id) => (isDoing(id) ? setDoing(id) : void atOnce(id))}
        busy={busy}
        away={doing !== null}
      />
      {!doing && <Refusal refused={refused} />}
      {doing && <DoPanel key={doing} {...{ doing, sale, version, today }} onClose={close} />}
    </>
  )
}
