'use client'
import { useCallback, useEffect, useRef, type Dispatch, type SetStateAction } from 'react'
import { track } from '../ahead'
import { call } from '../send'
import type { DraftSettings, LineDraft } from './lineDraft'

export interface PriceAnswer {
  readonly price: string
  readonly from: string
  readonly ownTaxCode: string
  readonly available: string | null
  readonly onTheWay: string
  readonly unitCost: string
}

export type SetLines = Dispatch<SetStateAction<readonly LineDraft[]>>

interface Lines {
  readonly lines: readonly LineDraft[]
}

/** Sets the lines of a desk that keeps all that is typed in one. */
export const useSetLines = (set: (change: (now: Lines) => Lines) => void): SetLines =>
  useCallback((to) => set((now) => ({ lines: typeof to === 'function' ? to(now.lines) : to })), [set])

/** For whom lines are priced, and where they go. */
interface Pricing {
  readonly customerId: number | null
  readonly withTax: boolean
  /** Where a line goes, and the tax that picks; null where it is taken along. */
  readonly going: {
    readonly to: (line: LineDraft) => string
    readonly areaCode: DraftSettings['areaCode']
  } | null
}

/** What a price depends on: of an address the tax that it picks, so that typing one asks nothing until it picks another. */
const questionOf = (l: LineDraft, { customerId, withTax, going }: Pricing): string =>
  `${l.goodsId}:${l.quantity}:${customerId}:${withTax}:${going?.areaCode(going.to(l)) ?? ''}`

const queryOf = (l: LineDraft, { customerId, withTax, going }: Pricing): string =>
  new URLSearchParams({
    goodsId: String(l.goodsId),
    quantity: l.quantity,
    withTax: String(withTax),
    ...(customerId === null ? {} : { customerId: String(customerId) }),
    ...(going === null ? { inStore: 'true' } : { deliverTo: going.to(l) }),
  }).toString()

/** A line with what was answered about its goods; its price only where nobody typed one and it is not an old line opened. */
const priced = (l: LineDraft, { price, from, ...facts }: PriceAnswer, opened: boolean): LineDraft => ({
  ...l,
  available: facts.available ?? undefined,
  onTheWay: facts.onTheWay,
  unitCost: facts.unitCost,
  ...(l.priceFrom === 'typed' || opened ? {} : { unitPrice: price, priceFrom: from }),
  ...(l.priceFrom === 'typed' || l.taxChosen || l.lineId !== undefined ? {} : { taxCode: facts.ownTaxCode }),
})

/**
 * Keeps prices right while quantities and customer change: a line whose price nobody typed takes the price of its quantity,
 * level and day, and says where it came from. Stock is told again with it.
 */
export const useRepricing = (
  lines: readonly LineDraft[],
  setLines: SetLines,
  { customerId, withTax, going }: Pricing,
): void => {
  const asked = useRef(new Map<string, string>())
  useEffect(() => {
    const changed = lines.filter((l) => {
      if (l.goodsId === undefined || !/^\d+(\.\d+)?$/.test(l.quantity)) return false
      const question = questionOf(l, { customerId, withTax, going })
      // What is opened again keeps the price it has until something about it changes.
      if (!asked.current.has(l.key) && l.lineId !== undefined && l.unitPrice !== '') {
        asked.current.set(l.key, question)
        return l.unitCost === undefined
      }
      return asked.current.get(l.key) !== question
    })
    if (changed.length === 0) return
    let settle = () => {}
    void track(new Promise<void>((done) => (settle = done)))
    const timer = setTimeout(() => {
      const answers = changed.map(async (l) => {
        const question = questionOf(l, { customerId, withTax, going })
        const opened = asked.current.get(l.key) === question
        asked.current.set(l.key, question)
        const answer = await call('GET', `/prices?${queryOf(l, { customerId, withTax, going })}`)
        // The answer to an earlier quantity comes too late, whenever it comes.
        if (asked.current.get(l.key) !== question) return
        // Nobody answered: it is asked again with whatever is typed next.
        if (!answer.ok) return void asked.current.delete(l.key)
        setLines((now) =>
          now.map((x) => (x.key === l.key && x.goodsId === l.goodsId ? priced(x, answer.value, opened) : x)),
        )
      })
      void Promise.all(answers).finally(settle)
      settle = () => {}
    }, 150)
    return () => {
      clearTimeout(timer)
      settle()
    }
  }, [lines, setLines, customerId, withTax, going])
}
