'use client'
import { useRef } from 'react'
import type { Method } from '@/core/ledger'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { useAhead } from '../ahead'
import { walk } from '../form/walk'
import { DayField, MoneyField, Text } from '../fields'
import { findCustomers, Picker, type FoundCustomer } from '../Picker'
import { LeftOffer, useDraft } from '../left'
import { MethodChoice } from './MethodChoice'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { inOrder, useSentRows } from '../useSentRows'
import { usePreview, WouldPost } from '../WouldPost'
import { Afterwards } from './Afterwards'
import { moneyInBody, moneyInFacts, putOn } from './moneyInFacts'
import type { OpenNow } from './openNow'
import { sayTender } from './tenderTyped'
import { useOpenOf } from './useOpenOf'
import { voidedBy } from '../undone'
import { WhatItPays } from './WhatItPays'

interface Props {
  readonly currency: string
  readonly today: Day
  readonly customer: { readonly id: number; readonly name: string } | null
  readonly saleId: number | null
  /** In minor units: cash is rounded to it. */
  readonly smallestCoin: number
}

interface Typed {
  readonly who: Props['customer']
  readonly amount: string
  readonly method: Method
  readonly reference: string
  readonly tendered: string
  readonly on: string
  /** What each is paid; null where the oldest come first. */
  readonly puts: Readonly<Record<string, string>> | null
}

const NOTHING: Omit<Typed, 'who' | 'on'> = { amount: '', method: 'transfer', reference: '', tendered: '', puts: null }

/** Receiving money: who, how much, how, what it pays, and what is owed afterwards, all before anything is saved. */
export const MoneyInForm = ({ currency, today, customer, saleId, smallestCoin }: Props) => {
  const { draft, set, bringBack, sent } = useDraft<Typed>('receipt', { ...NOTHING, who: customer, on: today })
  const { who, amount, method, reference, tendered, on, puts } = draft
  const { now, known, items, alsoFor, forOthers, problem: unread, askAgain } = useOpenOf(who)
  const { send, busy, refused } = useSend()
  const { problem, sentAs } = useSentRows(refused)
  const amountField = useRef<HTMLInputElement>(null)

  const said = { customerId: who?.id, on, method, amount, reference, tendered, puts }
  const around = { items, saleId, smallestCoin, currency, forOthers }
  const facts = moneyInFacts(said, around)
  const { received, tooMuch } = facts
  const body = moneyInBody(said, around, facts)
  const sound = isPositiveMoney(received) && !tooMuch
  const seen = usePreview('/receipts', who && known && sound ? body : null)

  const take = async (print: boolean) => {
    if (!sound || !known) return
    sentAs(inOrder('for', putOn(items, facts.put, currency)))
    const taken = await send('POST', '/receipts', body, {
      say: (r) =>
        `Receipt ${r.number}: ${formatMoney(received)} from ${who?.name}.${Number(r.change) > 0 ? ` Change due ${formatDigits(r.change)}.` : ''}`,
      undo: (r) => voidedBy(`/receipts/${r.id}/void`, on, `Receipt ${r.number} is voided.`),
      go: (r) => `/receipts/${r.id}${print ? '?print=1' : ''}`,
    })
    if (taken) sent()
  }
  const taking = useAhead(() => take(false))
  const printing = useAhead(() => take(true))
  const away = busy || taking.waiting || printing.waiting || !sound

  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[280px_minmax(0,1fr)] xl:grid-cols-[330px_minmax(0,1fr)]">
      <div className="empty:hidden lg:col-span-2">
        <LeftOffer bringBack={bringBack} />
      </div>
      <div className="grid content-start gap-4" onKeyDown={walk}>
        <div>
          <Picker
            label="From customer"
            autoFocus={!customer}
            chosen={who?.name ?? ''}
            placeholder="customer name"
            find={findCustomers}
            onPick={(c) => set({ who: c, puts: null })}
            onEntered={() => amountField.current?.focus()}
            problem={messageFor(refused, 'customerId')}
          />
          {now && <OwesNow now={now} />}
        </div>
        <MoneyField
          label="Amount"
          inputRef={amountField}
          currency={currency}
          value={amount}
          onValue={(amount) => set({ amount })}
          autoFocus={customer !== null}
          className="h-13.5 text-3xl font-bold"
          problem={messageFor(refused, 'amount')}
        />
        <MethodChoice label="Payment method" method={method} onMethod={(method) => set({ method })} />
        {method === 'cash' ? (
          <MoneyField
            label="Cash given (if more)"
            currency={currency}
            value={tendered}
            onValue={(tendered) => set({ tendered })}
            problem={messageFor(refused, 'tendered')}
            hint={sayTender(facts.tender, received)}
          />
        ) : (
          <Reference value={reference} onValue={(reference) => set({ reference })} />
        )}
        <DayField
          label="Date"
          today={today}
          value={on}
          onValue={(on) => set({ on })}
          problem={messageFor(refused, 'on')}
        />
        <Refusal refused={refused} />
        <div className="flex flex-wrap gap-2">
          <button className="btn btn-do min-h-10 flex-1" data-primary disabled={away} onClick={() => void taking.run()}>
            Take payment {formatMoney(received)}
          </button>
          <button className="btn min-h-10" disabled={away} onClick={() => void printing.run()}>
            Take and print
          </button>
        </div>
        <span className="sub" role="status">
          {taking.waiting || printing.waiting ? 'Waiting for the last search …' : 'Ctrl+Enter'}
        </span>
      </div>
      <div className="min-w-0">
        <h2>Apply to</h2>
        {!who ? (
          <ChooseFirst />
        ) : unread !== '' ? (
          <Unread why={unread} onAgain={askAgain} />
        ) : (
          <>
            <WhatItPays
              items={items}
              put={facts.put}
              onPut={(puts) => set({ puts })}
              problem={(key) => problem(key, 'amount')}
              received={received}
              onAccount={facts.onAccount}
              nothingOpen={now !== null && items.length === 0}
            />
            <Ways onOldest={() => set({ puts: null })} onAccount={() => set({ puts: {} })} />
            <AlsoFor onPick={alsoFor} />
            {now && <Afterwards now={now} onDues={facts.lessOwed} onLate={facts.lessLate} currency={currency} />}
            {sound && <WouldPost seen={seen} currency={currency} />}
          </>
        )}
      </div>
    </div>
  )
}

const OwesNow = ({ now }: { readonly now: OpenNow }) => (
  <div className="sub">
    Owes {formatDigits(now.owed)} · {Number(now.held) > 0 ? `${formatDigits(now.held)} held` : 'Nothing held'}
    {now.usually && ` · ${now.usually}`}
  </div>
)

const AlsoFor = ({ onPick }: { readonly onPick: (other: FoundCustomer) => unknown }) => (
  <div className="mt-3 max-w-82.5">
    <Picker
      label="Also paying for another customer"
      chosen=""
      placeholder="customer name"
      find={findCustomers}
      onPick={onPick}
    />
  </div>
)

const Ways = ({ onOldest, onAccount }: { readonly onOldest: () => void; readonly onAccount: () => void }) => (
  <p className="mt-3 flex flex-wrap gap-2">
    <button className="btn" onClick={onOldest}>
      Apply to oldest first
    </button>
    <button className="btn" onClick={onAccount}>
      Keep all on account
    </button>
  </p>
)

const Unread = ({ why, onAgain }: { readonly why: string; readonly onAgain: () => void }) => (
  <div role="alert" className="notice notice-bad">
    <p>What is unpaid cannot be read just now. {why}</p>
    <button type="button" className="btn mt-2" onClick={onAgain}>
      Try again
    </button>
  </div>
)

const ChooseFirst = () => (
  <p className="sub border-y border-paper-200 py-6">Choose a customer to see what is unpaid, oldest first.</p>
)

const Reference = ({ value, onValue }: { readonly value: string; readonly onValue: (value: string) => void }) => (
  <Text label="Reference" value={value} maxLength={120} onChange={(e) => onValue(e.target.value)} />
)
