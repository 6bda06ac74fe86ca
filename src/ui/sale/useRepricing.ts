'use client'
import { useEffect, useRef, type Dispatch, type SetStateAction } from 'react'
import { call } from '../send'
import type { LineDraft } from './lineDraft'

export interface PriceAnswer {
  readonly price: string
  readonly from: string
  readonly taxCode: string
  readonly available: string | null
  readonly onTheWay: string
  readonly unitCost: string
}

export type SetLines = Dispatch<SetStateAction<readonly LineDraft[]>>

/**
 * Keeps prices right while quantities and customer change: a line whose price nobody typed takes the price of its quantity,
 * level and day, and says where it came from. Stock is told again with it.
 */
export const useRepricing = (
  lines: readonly LineDraft[],
  setLines: SetLines,
  customerId: number | null,
  withTax: boolean,
): void => {
  const asked = useRef(new Map<string, string>())
  useEffect(() => {
    const changed = lines.filter((l) => {
      if (l.goodsId === undefined || !/^\d+(\.\d+)?$/.test(l.quantity)) return false
      const question = `${l.goodsId}:${l.quantity}:${customerId}:${withTax}`
      // What is opened again keeps the price it has until something about it changes.
      if (!asked.current.has(l.key) && l.lineId !== undefined && l.unitPrice !== '') {
        asked.current.set(l.key, question)
        return l.unitCost === undefined
      }
      return asked.current.get(l.key) !== question
    })
    if (changed.length === 0) return
    const timer = setTimeout(() => {
      for (const l of changed) {
        const opened = asked.current.get(l.key) === `${l.goodsId}:${l.quantity}:${customerId}:${withTax}`
        asked.current.set(l.key, `${l.goodsId}:${l.quantity}:${customerId}:${withTax}`)
        const who = customerId === null ? '' : `&customerId=${customerId}`
        void call('GET', `/prices?goodsId=${l.goodsId}&quantity=${l.quantity}${who}&withTax=${withTax}`).then(
          (answer) => {
            if (!answer.ok) return
            const { price, from, ...facts } = answer.value
            setLines((now) =>
              now.map((x) =>
                x.key !== l.key || x.goodsId !== l.goodsId
                  ? x
                  : {
                      ...x,
                      available: facts.available ?? undefined,
                      onTheWay: facts.onTheWay,
                      unitCost: facts.unitCost,
                      ...(x.priceFrom === 'typed' || opened
                        ? {}
                        : { unitPrice: price, priceFrom: from, taxCode: facts.taxCode }),
                    },
              ),
            )
          },
        )
      }
    }, 150)
    return () => clearTimeout(timer)
  }, [lines, setLines, customerId, withTax])
}
