'use client'
import { useEffect, useState } from 'react'
import { formatDay, type Day } from '@/core/day'
import { decimal, formatPrice } from '@/core/money'
import type { AnswerTo, BodyTo } from '@/contract/calls'
import { isSending } from './keysAhead'
import { call, type Refused } from './send'

/** What a command would do: its answer, and the entries it would post. */
export interface Seen<A> {
  readonly answer: A
  readonly entries: readonly {
    readonly on: Day
    readonly text: string
    readonly lines: readonly {
      readonly account: string
      readonly name: string
      readonly debit: string
      readonly credit: string
    }[]
  }[]
}

export interface Previewed<A> {
  readonly seen: Seen<A> | null
  readonly refused: Refused | null
}

/** Asks a moment after the last key; what was typed meanwhile makes an older answer void. */
const A_MOMENT = 180

/** What a command would do with what is typed, from the command itself; nothing while there is nothing to ask. */
export const usePreview = <P extends string>(
  path: P,
  body: BodyTo<'POST', P> | null,
): Previewed<AnswerTo<'POST', P>> => {
  const asked = body === null ? null : JSON.stringify(body)
  type Told = Previewed<AnswerTo<'POST', P>>
  const [last, setLast] = useState<{ readonly asked: string; readonly of: Told } | null>(null)
  useEffect(() => {
    if (asked === null) return
    let stale = false
    const ask = async (): Promise<void> => {
      // What is sent by now is not asked about, and what is said of it after it was done is not told.
      if (!isSending()) {
        const answer = await call('POST', `${path as string}?preview=true`, JSON.parse(asked))
        if (stale) return
        // A preview answers what the command would, and its entries beside.
        const of = answer.ok ? { seen: answer.value as Told['seen'], refused: null } : { seen: null, refused: answer }
        if (!isSending()) return setLast({ asked, of })
      }
      timer = setTimeout(() => void ask(), A_MOMENT)
    }
    let timer = setTimeout(() => void ask(), A_MOMENT)
    return () => {
      stale = true
      clearTimeout(timer)
    }
  }, [path, asked])
  return last && last.asked === asked ? last.of : { seen: null, refused: null }
}

const show = (amount: string, currency: string): string =>
  decimal(amount).eq(0) ? '' : formatPrice(decimal(amount), currency)

/** What would stand in the books: every account with its side, as the command would post it. */
export const WouldPost = ({
  seen: { seen, refused },
  currency,
}: {
  readonly seen: Previewed<unknown>
  readonly currency: string
}) => (
  <section className="mt-5 bg-paper-100 px-3.5 py-2.5" aria-live="polite">
    <h2 className="text-base">In the books</h2>
    {refused && <p className="text-oxide-700">{refused.detail}</p>}
    {!seen && !refused && <p className="sub">…</p>}
    {seen?.entries.map((e, i) => (
      <table key={i} className="w-full text-[14px]">
        <caption className="sub text-left">{formatDay(e.on)}</caption>
        <thead className="sr-only">
          <tr>
            <th scope="col">Account</th>
            <th scope="col">Debit</th>
            <th scope="col">Credit</th>
          </tr>
        </thead>
        <tbody>
          {e.lines.map((l, n) => (
            <tr key={n}>
              <td className={decimal(l.credit).eq(0) ? '' : 'pl-5'}>{l.name}</td>
              <td className="fig sm:w-30">{show(l.debit, currency)}</td>
              <td className="fig sm:w-30">{show(l.credit, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    ))}
  </section>
)
