'use client'
import { statusName } from '@/core/names'
import { present } from '@/core/present'
import { useRef, useState } from 'react'
import { formatDay } from '@/core/day'
import { decimal, formatPrice } from '@/core/money'
import type { CustomerPage, PageLine } from '@/services/customerPage/readPage'
import { ask } from './ask'
import { EstimateLine } from './EstimateLine'
import { YesOrNo } from './YesOrNo'

type Sale = NonNullable<CustomerPage['sale']>
interface Totals {
  readonly net: string
  readonly tax: string
  readonly gross: string
}

const sayStanding = ({ number, stands, agreedOn, validUntil }: Sale): string => {
  if (agreedOn) return `Accepted on ${formatDay(agreedOn)}`
  if (stands === 'offered') return `Estimate ${number}${validUntil ? `, valid until ${formatDay(validUntil)}` : ''}`
  return stands === 'lapsed'
    ? `This estimate expired on ${formatDay(present(validUntil))}. Contact us and we will renew it.`
    : `Estimate ${number}, ${stands === 'settled' ? 'paid' : statusName(stands, true).toLowerCase()}`
}

/** The estimate or order as its customer reads it, with their choices, and their yes or no. */
export const EstimateAnswer = ({
  token,
  sale,
  currency,
}: {
  readonly token: string
  readonly sale: Sale
  readonly currency: string
}) => {
  const show = (amount: string) => formatPrice(decimal(amount), currency)
  const open = sale.stands === 'offered'
  const [chosen, setChosen] = useState<readonly number[]>(
    sale.lines.filter((l) => l.choice !== 'none' && l.chosen).map((l) => l.id),
  )
  const [totals, setTotals] = useState<Totals>(sale.totals)
  const turn = useRef(0)
  /** What is chosen and not reckoned yet is nothing to say yes to. */
  const [asking, setAsking] = useState(false)
  const [problem, setProblem] = useState('')
  const reckoned = useRef(chosen)
  const tick = (next: readonly number[]) => {
    setChosen(next)
    setAsking(true)
    setProblem('')
    // The last choice is the one that counts, however the answers come in.
    const mine = ++turn.current
    void ask<Totals>('POST', `/api/c/${token}/preview`, { chosen: next }).then((t) => {
      if (mine !== turn.current) return
      setAsking(false)
      if (t.ok) {
        reckoned.current = next
        return setTotals(t.value)
      }
      setChosen(reckoned.current)
      setProblem(t.detail)
    })
  }
  const choose = (line: PageLine) => {
    const same = (id: number) =>
      sale.lines.some((l) => l.id === id && l.choice === 'alternative' && l.choiceGroup === line.choiceGroup)
    tick(
      line.choice === 'alternative'
        ? [...chosen.filter((id) => !same(id)), line.id]
        : chosen.includes(line.id)
          ? chosen.filter((id) => id !== line.id)
          : [...chosen, line.id],
    )
  }
  return (
    <section>
      <h2 className="text-2xl">{sale.title}</h2>
      <p className="sub mb-3">{sayStanding(sale)}</p>
      {sale.noteAbove && <p className="mb-3 whitespace-pre-line">{sale.noteAbove}</p>}
      <div>
        {sale.lines.map((l) => (
          <EstimateLine
            key={l.id}
            line={l}
            open={open}
            chosen={l.choice === 'none' || chosen.includes(l.id)}
            onChoose={() => choose(l)}
            show={show}
          />
        ))}
      </div>
      {problem !== '' && (
        <p role="alert" className="notice notice-bad my-2">
          Your choice was not taken. {problem}
        </p>
      )}
      <dl className="mt-3 ml-auto grid w-65 grid-cols-[1fr_auto] gap-y-1">
        {/[1-9]/.test(sale.off) && (
          <>
            <dt className="sub">Discount on total</dt>
            <dd className="fig">−{show(sale.off)}</dd>
          </>
        )}
        <dt className="sub">Subtotal</dt>
        <dd className="fig">{show(totals.net)}</dd>
        <dt className="sub">Tax</dt>
        <dd className="fig">{show(totals.tax)}</dd>
        <dt className="border-t border-iron-900 pt-1 font-bold">Total, {currency}</dt>
        <dd
          className="fig border-t border-b-[3px] border-double border-iron-900 pt-1 text-lg font-bold"
          aria-live="polite"
        >
          {show(totals.gross)}
        </dd>
      </dl>
      {sale.note && <p className="mt-3 whitespace-pre-line">{sale.note}</p>}
      {sale.conditions && !sale.agreedOn && <p className="sub mt-3 whitespace-pre-line">{sale.conditions}</p>}
      {open && (
        <YesOrNo
          token={token}
          version={sale.version}
          chosen={chosen}
          asking={asking}
          total={`${show(totals.gross)} ${currency}`}
        />
      )}
    </section>
  )
}
