'use client'
import { present } from '@/core/present'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { formatDay } from '@/core/day'
import { decimal, formatPrice } from '@/core/money'
import type { CustomerPage, PageLine } from '@/services/customerPage/readPage'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { ask, useAsk } from './ask'

type Sale = NonNullable<CustomerPage['sale']>
interface Totals {
  readonly net: string
  readonly tax: string
  readonly gross: string
}

const Line = ({
  line,
  open,
  chosen,
  onChoose,
  show,
}: {
  readonly line: PageLine
  readonly open: boolean
  readonly chosen: boolean
  readonly onChoose: () => void
  readonly show: (amount: string) => string
}) => {
  if (line.kind === 'heading') return <h3 className="pt-4 pb-1 font-slab text-lg font-semibold">{line.description}</h3>
  if (line.kind === 'text') return <p className="py-1.5 text-iron-700">{line.description}</p>
  const choice = open && line.choice !== 'none'
  const Wrap = choice ? 'label' : 'div'
  return (
    <Wrap
      className={`flex gap-3 border-b border-paper-200 py-2 ${choice ? 'cursor-pointer' : ''} ${chosen ? '' : 'text-iron-500'}`}
    >
      {choice && (
        <input
          type={line.choice === 'alternative' ? 'radio' : 'checkbox'}
          name={line.choice === 'alternative' ? `choice-${line.choiceGroup}` : undefined}
          className="mt-1.5 h-[18px] w-[18px] shrink-0"
          checked={chosen}
          onChange={onChoose}
        />
      )}
      <span className="min-w-0 flex-1">
        <span className="block break-words">{line.description}</span>
        {line.note && <span className="sub block whitespace-pre-line">{line.note}</span>}
        <span className="sub block">
          {line.quantity} × {line.each}
          {line.less && ` less ${line.less}`}
          {choice && (line.choice === 'optional' ? ' · if you like' : ` · ${line.choiceGroup}: one of these`)}
        </span>
      </span>
      <span className="fig">{show(line.sum)}</span>
    </Wrap>
  )
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
  const router = useRouter()
  const show = (amount: string) => formatPrice(decimal(amount), currency)
  const open = sale.stands === 'offered'
  const [chosen, setChosen] = useState<readonly number[]>(
    sale.lines.filter((l) => l.choice !== 'none' && l.chosen).map((l) => l.id),
  )
  const [totals, setTotals] = useState<Totals>(sale.totals)
  const [name, setName] = useState('')
  const [note, setNote] = useState('')
  const [order, setOrder] = useState('')
  const [no, setNo] = useState(false)
  const { post, busy, refused } = useAsk()
  const turn = useRef(0)
  const tick = (next: readonly number[]) => {
    setChosen(next)
    // The last choice is the one that counts, however the answers come in.
    const mine = ++turn.current
    void ask<Totals>('POST', `/api/c/${token}/preview`, { chosen: next }).then((t) => {
      if (t.ok && mine === turn.current) setTotals(t.value)
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
  const answer = async () => {
    const path = `/api/c/${token}/${no ? 'refuse' : 'accept'}`
    const body = no
      ? { version: sale.version, name, reason: note }
      : { version: sale.version, chosen, name, note, purchaseOrder: order || undefined }
    if (await post(path, body)) router.refresh()
  }
  return (
    <section>
      <h2 className="text-2xl">{sale.title}</h2>
      <p className="sub mb-3">
        {sale.agreedOn
          ? `Agreed on ${formatDay(sale.agreedOn)}`
          : open
            ? `Estimate ${sale.number}${sale.validUntil ? `, good through ${formatDay(sale.validUntil)}` : ''}`
            : sale.stands === 'lapsed'
              ? `This estimate was good through ${formatDay(present(sale.validUntil))}. Ask us, and we will renew it.`
              : `Estimate ${sale.number}, ${sale.stands}`}
      </p>
      {sale.noteAbove && <p className="mb-3 whitespace-pre-line">{sale.noteAbove}</p>}
      <div>
        {sale.lines.map((l) => (
          <Line
            key={l.id}
            line={l}
            open={open}
            chosen={l.choice === 'none' || chosen.includes(l.id)}
            onChoose={() => choose(l)}
            show={show}
          />
        ))}
      </div>
      <dl className="mt-3 ml-auto grid w-[260px] grid-cols-[1fr_auto] gap-y-1">
        {/[1-9]/.test(sale.off) && (
          <>
            <dt className="sub">off the whole</dt>
            <dd className="fig">−{show(sale.off)}</dd>
          </>
        )}
        <dt className="sub">net</dt>
        <dd className="fig">{show(totals.net)}</dd>
        <dt className="sub">tax</dt>
        <dd className="fig">{show(totals.tax)}</dd>
        <dt className="border-t border-iron-900 pt-1 font-bold">total, {currency}</dt>
        <dd
          className="fig border-t border-b-[3px] border-double border-iron-900 pt-1 text-lg font-bold"
          aria-live="polite"
        >
          {totals.gross}
        </dd>
      </dl>
      {sale.note && <p className="mt-3 whitespace-pre-line">{sale.note}</p>}
      {sale.conditions && !sale.agreedOn && <p className="sub mt-3 whitespace-pre-line">{sale.conditions}</p>}
      {open && (
        <form
          className="mt-6 grid gap-3 border-l-4 border-rust-600 bg-rust-100 px-4 py-4"
          onSubmit={(e) => {
            e.preventDefault()
            void answer()
          }}
        >
          <fieldset className="flex gap-6">
            <legend className="sr-only">Your answer</legend>
            <label className="flex gap-2">
              <input type="radio" name="answer" checked={!no} onChange={() => setNo(false)} /> Yes, please
            </label>
            <label className="flex gap-2">
              <input type="radio" name="answer" checked={no} onChange={() => setNo(true)} /> No, thank you
            </label>
          </fieldset>
          <Text
            label="Your name"
            autoComplete="name"
            value={name}
            maxLength={200}
            onChange={(e) => setName(e.target.value)}
            problem={messageFor(refused, 'name')}
          />
          {!no && (
            <Text
              label="Your order number, if you have one"
              value={order}
              maxLength={80}
              onChange={(e) => setOrder(e.target.value)}
            />
          )}
          <label>
            <span className="label">{no ? 'Why, if you like to say' : 'Anything you want to tell us'}</span>
            <textarea
              className="field"
              rows={2}
              maxLength={no ? 500 : 2000}
              value={note}
              onChange={(e) => setNote(e.target.value)}
            />
          </label>
          {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
          <button className="btn btn-do" disabled={busy}>
            {no ? 'Say no' : `Say yes to ${show(totals.gross)} ${currency}`}
          </button>
        </form>
      )}
    </section>
  )
}
