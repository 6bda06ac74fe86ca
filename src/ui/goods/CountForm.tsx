'use client'
import { formatDigits } from '@/core/locale'
import { decimal, formatPrice } from '@/core/money'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, MoneyField, QuantityField } from '../fields'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { sayStockChange } from './sayStockChange'
import { LedgerHead, right } from '@/ui/LedgerHead'

interface Props {
  readonly currency: string
  readonly today: Day
  /** Where it is counted; null where there is one place. */
  readonly placeId: number | null
  readonly lines: readonly {
    readonly goodsId: number
    readonly code: string
    readonly name: string
    readonly onHand: string
    readonly unitCost: string
  }[]
}

/** What was counted replaces what the books had; more comes in at a cost, less goes out at the average. */
export const CountForm = ({ currency, today, placeId, lines }: Props) => {
  const [counted, setCounted] = useState<Readonly<Record<number, string>>>({})
  const [costs, setCosts] = useState<Readonly<Record<number, string>>>({})
  const [on, setOn] = useState<string>(today)
  const { send, busy, refused } = useSend()
  const typed = lines.filter((l) => (counted[l.goodsId] ?? '') !== '')
  const save = async () => {
    const done = await send(
      'POST',
      '/stock-counts',
      {
        on,
        ...(placeId === null ? {} : { placeId }),
        lines: typed.map((l) => ({
          goodsId: l.goodsId,
          counted: counted[l.goodsId] ?? '',
          unitCost: costs[l.goodsId] || undefined,
        })),
      },
      {
        say: (c) => `Count ${c.number} saved: ${sayStockChange(c.value)}.`,
      },
    )
    if (done) {
      setCounted({})
      setCosts({})
    }
  }
  return (
    <>
      <div className="mb-3 flex items-end gap-3">
        <span className="w-37.5">
          <DayField label="Date" today={today} value={on} onValue={setOn} />
        </span>
        <button className="btn btn-do" data-primary disabled={busy || typed.length === 0} onClick={() => void save()}>
          Save count ({typed.length} {typed.length === 1 ? 'item' : 'items'})
        </button>
      </div>
      <Refusal refused={refused} />
      <table className="ledger max-w-215">
        <LedgerHead
          heads={['Code', 'Name', right('On hand'), right('Counted', 'w-27.5'), right('Cost of additions', 'w-30')]}
        />
        <tbody>
          {lines.map((l) => (
            <tr key={l.goodsId}>
              <td className="font-figure text-[14px]">{l.code}</td>
              <td>{l.name}</td>
              <td className="fig">{formatDigits(l.onHand)}</td>
              <td>
                <QuantityField
                  label={`Counted: ${l.name}`}
                  hideLabel
                  value={counted[l.goodsId] ?? ''}
                  onValue={(v) => setCounted({ ...counted, [l.goodsId]: v })}
                />
              </td>
              <td>
                <MoneyField
                  label={`Cost of new ones: ${l.name}`}
                  hideLabel
                  currency={currency}
                  value={costs[l.goodsId] ?? ''}
                  placeholder={l.unitCost === '0' ? '' : formatPrice(decimal(l.unitCost), currency)}
                  onValue={(v) => setCosts({ ...costs, [l.goodsId]: v })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
