'use client'
import { STATUS_NAMES } from '@/core/names'
import type { Stands } from '@/core/sale'
import { useEffect, useMemo, useState } from 'react'
import { formatDigits } from '@/core/locale'
import { formatDay, type Day } from '@/core/day'
import { Empty } from '../Empty'
import { Panel } from '../Panel'
import { findSalesOf, Picker } from '../Picker'
import { call } from '../send'
import { emptyLine, fromSaved, type LineDraft } from './lineDraft'

interface Usual {
  readonly goodsId: number
  readonly name: string
  readonly lastOn: Day
  readonly lastQuantity: string
  readonly lastPrice: string
  readonly times: number
  readonly perMonth: string
  readonly available: string
  readonly price: string
  readonly priceFrom: string
  readonly taxCode: string
  readonly unitCost: string
}

const asLine = (u: Usual): LineDraft => ({
  ...emptyLine(u.taxCode),
  goodsId: u.goodsId,
  description: u.name,
  quantity: u.lastQuantity,
  unitPrice: u.price,
  priceFrom: u.priceFrom,
  available: u.available,
  unitCost: u.unitCost,
})

interface Props {
  readonly customerId: number
  readonly customer: string
  readonly onTake: (lines: readonly LineDraft[]) => void
  readonly onClose: () => void
}

/** What is waited for, or why it did not come. */
const Waited = ({ problem }: { readonly problem: string }) =>
  problem === '' ? (
    <p className="sub">Loading …</p>
  ) : (
    <p role="alert" className="notice notice-bad">
      {problem}
    </p>
  )

/** What a customer usually takes: one key puts it on the sale, in the quantity of last time. */
export const UsualPanel = ({ customerId, customer, onTake, onClose }: Props) => {
  const [usual, setUsual] = useState<readonly Usual[] | null>(null)
  const [problem, setProblem] = useState('')
  const [taken, setTaken] = useState<readonly number[]>([])
  useEffect(() => {
    void call('GET', `/customers/${customerId}/usual`).then((u) =>
      u.ok ? setUsual(u.value.items) : setProblem(u.detail),
    )
  }, [customerId])
  return (
    <Panel open onClose={onClose} title={`Usually buys: ${customer}`}>
      {usual === null ? (
        <Waited problem={problem} />
      ) : usual.length === 0 ? (
        <Empty>No purchases yet.</Empty>
      ) : (
        <ul>
          {usual.map((u) => (
            <li key={u.goodsId} className="border-b border-paper-200 py-1">
              <button
                type="button"
                className="w-full px-1 py-1 text-left hover:bg-rust-100"
                onClick={() => {
                  onTake([asLine(u)])
                  setTaken([...taken, u.goodsId])
                }}
              >
                <span className="flex justify-between gap-3">
                  <span className="font-bold">{u.name}</span>
                  <span className="fig">{formatDigits(u.price)}</span>
                </span>
                <span className="sub">
                  last {formatDigits(u.lastQuantity)} at {formatDigits(u.lastPrice)} on {formatDay(u.lastOn)} · bought{' '}
                  {u.times} {u.times === 1 ? 'time' : 'times'}, {formatDigits(u.perMonth)} a month ·{' '}
                  {formatDigits(u.available)} available
                  {taken.includes(u.goodsId) && <b className="text-patina-700"> · added</b>}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  )
}

interface Sale {
  readonly id: number
  readonly number: number
  readonly title: string
  readonly stands: Stands
  readonly startedOn: Day
  readonly total: string
}

/** Lines taken from another sale of the customer. */
export const OtherSalePanel = ({ customerId, customer, onTake, onClose }: Props) => {
  const [sales, setSales] = useState<{ readonly items: readonly Sale[]; readonly next: unknown } | null>(null)
  const [problem, setProblem] = useState('')
  const find = useMemo(() => findSalesOf(customerId), [customerId])
  useEffect(() => {
    void call('GET', `/sales?customerId=${customerId}&limit=30`).then((s) =>
      s.ok ? setSales(s.value) : setProblem(s.detail),
    )
  }, [customerId])
  const take = async (id: number) => {
    const sale = await call('GET', `/sales/${id}`)
    if (!sale.ok) return setProblem(sale.detail)
    onTake(
      sale.value.lines
        .filter((l) => l.quantity !== '0' || l.kind === 'heading' || l.kind === 'text')
        .map((l) => fromSaved(l, { asNew: true })),
    )
    onClose()
  }
  return (
    <Panel open onClose={onClose} title={`From another sale of ${customer}`}>
      {sales !== null && problem !== '' && <Waited problem={problem} />}
      {sales === null ? (
        <Waited problem={problem} />
      ) : sales.items.length === 0 ? (
        <Empty>No other sales yet.</Empty>
      ) : (
        <ul>
          {sales.next !== null && (
            <li className="pb-2">
              <Picker
                label={`Older than these ${sales.items.length}`}
                placeholder="Find by number or title"
                chosen=""
                find={find}
                onPick={(s) => take(s.id)}
              />
            </li>
          )}
          {sales.items.map((s) => (
            <li key={s.id} className="border-b border-paper-200 py-1">
              <button
                type="button"
                className="w-full px-1 py-1 text-left hover:bg-rust-100"
                onClick={() => void take(s.id)}
              >
                <span className="flex justify-between gap-3">
                  <span className="font-bold">
                    {s.number} {s.title}
                  </span>
                  <span className="fig">{formatDigits(s.total)}</span>
                </span>
                <span className="sub">
                  {STATUS_NAMES[s.stands]}, {formatDay(s.startedOn)}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  )
}
