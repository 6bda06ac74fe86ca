'use client'
import { present } from '@/core/present'
import { useCallback, useEffect, useState } from 'react'
import type { Method } from '@/core/ledger'
import type { Day } from '@/core/day'
import { formatMoney, isPositiveMoney, subtractMoney, sumMoney } from '@/core/money'
import { tenderOf } from '@/core/receipt'
import { DayField, MoneyField, Text } from '../fields'
import { findCustomers, Picker, type FoundCustomer } from '../Picker'
import { MethodChoice } from './MethodChoice'
import { messageFor, Refusal } from '../Refusal'
import { call, useSend } from '../send'
import { usePreview, WouldPost } from '../WouldPost'
import { fillDown, leftAfter, readTyped, sumTyped, type Open } from './filling'
import { Afterwards } from './Afterwards'
import { WhatItPays } from './WhatItPays'
import type { OpenNow } from './openNow'

interface Props {
  readonly currency: string
  readonly today: Day
  readonly customer: { readonly id: number; readonly name: string } | null
  readonly saleId: number | null
  /** In minor units: cash is rounded to it. */
  readonly smallestCoin: number
}

/** Receiving money: who, how much, how, what it pays, and what is owed afterwards, all before anything is saved. */
export const MoneyInForm = ({ currency, today, customer, saleId, smallestCoin }: Props) => {
  const [who, setWho] = useState(customer)
  const [now, setNow] = useState<OpenNow | null>(null)
  const [amount, setAmount] = useState('')
  const [method, setMethod] = useState<Method>('transfer')
  const [reference, setReference] = useState('')
  const [tendered, setTendered] = useState('')
  const [on, setOn] = useState<string>(today)
  const [puts, setPuts] = useState<Readonly<Record<string, string>> | null>(null)
  const { send, busy, refused } = useSend()

  const load = useCallback(async (id: number) => {
    const open = await call('GET', `/customers/${id}/open`)
    if (open.ok) setNow(open.value)
  }, [])
  useEffect(() => {
    if (who) void load(who.id)
  }, [who, load])

  const [others, setOthers] = useState<readonly { readonly name: string; readonly items: readonly Open[] }[]>([])
  const alsoFor = async (c: FoundCustomer) => {
    if (c.id === who?.id || others.some((o) => o.name === c.name)) return
    const open = await call('GET', `/customers/${c.id}/open`)
    if (open.ok)
      setOthers([
        ...others,
        { name: c.name, items: open.value.items.map((i) => ({ ...i, what: `${c.name}: ${i.what}` })) },
      ])
  }
  const items = [...(now?.items ?? []), ...others.flatMap((o) => o.items)]
  const received = readTyped(amount, currency)
  const put = puts ?? fillDown(items, received, saleId)
  const onThings = sumTyped(put, currency)
  const onAccount = subtractMoney(received, onThings)
  const tooMuch = onAccount.minor < 0n
  const onDues = sumMoney(
    items.filter((o) => o.dueId !== undefined).map((o) => readTyped(put[o.key] ?? '', currency)),
    currency,
  )
  const { toPay: coins, change } = tenderOf(received, {
    cash: method === 'cash',
    smallestCoin,
    given: method === 'cash' && tendered !== '' ? readTyped(tendered, currency) : null,
  })
  const off = sumMoney(
    items.map((o) => {
      const part = readTyped(put[o.key] ?? '', currency)
      return subtractMoney(subtractMoney(readTyped(o.open, currency), part), leftAfter(o, part))
    }),
    currency,
  )

  const wishes = items
    .filter((o) => readTyped(put[o.key] ?? '', currency).minor > 0n)
    .map((o) => ({
      ...(o.dueId === undefined ? { saleId: present(o.saleId) } : { dueId: o.dueId }),
      amount: present(put[o.key]),
    }))
  const body = {
    customerId: who?.id,
    on,
    method,
    amount,
    reference,
    tendered: method === 'cash' && tendered ? tendered : undefined,
    for: wishes.length > 0 ? wishes : ('account' as const),
    ...(others.length > 0 ? { forOthers: true } : {}),
  }
  const seen = usePreview('/receipts', who && isPositiveMoney(received) && !tooMuch ? body : null)

  const take = (print: boolean) => {
    void send('POST', '/receipts', body, {
      say: (r) =>
        `Receipt ${r.number} for ${formatMoney(received)} from ${who?.name}.${Number(r.change) > 0 ? ` Give ${r.change} change.` : ''}`,
      go: (r) => `/receipts/${r.id}${print ? '?print=1' : ''}`,
    })
  }

  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[330px_1fr]">
      <div className="grid content-start gap-4">
        <div>
          <Picker
            label="From"
            autoFocus={!customer}
            chosen={who?.name ?? ''}
            placeholder="who pays"
            find={findCustomers}
            onPick={(c: FoundCustomer) => {
              setWho(c)
              setPuts(null)
              setOthers([])
              setNow(null)
            }}
            problem={messageFor(refused, 'customerId')}
          />
          {now && (
            <div className="sub">
              owes {now.owed} · {Number(now.held) > 0 ? `${now.held} held` : 'nothing held'}
              {now.usually && ` · ${now.usually}`}
            </div>
          )}
        </div>
        <MoneyField
          label="Amount"
          currency={currency}
          value={amount}
          onValue={setAmount}
          autoFocus={customer !== null}
          className="h-[54px] !text-[32px] font-bold"
          problem={messageFor(refused, 'amount')}
        />
        <MethodChoice label="How it comes" method={method} onMethod={setMethod} />
        {method === 'cash' ? (
          <MoneyField
            label="Given, if more"
            currency={currency}
            value={tendered}
            onValue={setTendered}
            problem={messageFor(refused, 'tendered')}
            hint={
              isPositiveMoney(change)
                ? `change ${formatMoney(change)}`
                : coins.minor !== received.minor
                  ? `${formatMoney(coins)} in coins`
                  : undefined
            }
          />
        ) : (
          <Text
            label="Their reference"
            value={reference}
            maxLength={120}
            onChange={(e) => setReference(e.target.value)}
          />
        )}
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
        <Refusal refused={refused} />
        <div className="flex gap-2">
          <button
            className="btn btn-do min-h-[40px] flex-1"
            data-primary
            disabled={busy || tooMuch || received.minor === 0n}
            onClick={() => take(false)}
          >
            Take {formatMoney(received)}
          </button>
          <button
            className="btn min-h-[40px]"
            disabled={busy || tooMuch || received.minor === 0n}
            onClick={() => take(true)}
          >
            and print
          </button>
        </div>
        <span className="sub">Ctrl Enter</span>
      </div>
      <div className="min-w-0">
        <h2>What it pays</h2>
        {!who ? (
          <p className="sub border-y border-paper-200 py-6">
            Choose who pays; everything they have open will stand here, oldest first.
          </p>
        ) : (
          <>
            <WhatItPays
              items={items}
              put={put}
              onPut={setPuts}
              received={received}
              onAccount={onAccount}
              nothingOpen={now !== null && items.length === 0}
            />
            <p className="mt-3 flex gap-2">
              <button className="btn" onClick={() => setPuts(null)}>
                Oldest first
              </button>
              <button className="btn" onClick={() => setPuts({})}>
                All on account
              </button>
            </p>
            <div className="mt-3 max-w-[330px]">
              <Picker
                label="They pay for somebody else too"
                chosen=""
                placeholder="whose papers"
                find={findCustomers}
                onPick={(c: FoundCustomer) => void alsoFor(c)}
              />
            </div>
            {now && (
              <Afterwards
                now={now}
                onDues={sumMoney([onDues, off], currency)}
                onLate={sumMoney(
                  items.filter((o) => o.late).map((o) => readTyped(put[o.key] ?? '', currency)),
                  currency,
                )}
                currency={currency}
              />
            )}
            {isPositiveMoney(received) && !tooMuch && <WouldPost seen={seen} currency={currency} />}
          </>
        )}
      </div>
    </div>
  )
}
