'use client'
import { useEffect, useState } from 'react'
import { isDayInReach } from '@/core/day'
import { sayTaken, tellsWhere } from '@/core/names'
import { call } from '../../send'

/**
 * From which places the goods of a sale's lines are taken on a day, by the line's id, with lots and serials; nothing where there is
 * one place and nothing is told apart.
 */
export const useTakenFrom = (saleId: number, on: string, asked: boolean): ReadonlyMap<number, string> => {
  const [from, setFrom] = useState<ReadonlyMap<number, string>>(new Map())
  useEffect(() => {
    if (!asked || !isDayInReach(on)) return
    let gone = false
    void call('GET', `/sales/${saleId}/picking?on=${on}`).then((read) => {
      if (gone || !read.ok) return
      const says = new Map<number, string[]>()
      for (const l of read.value.lines)
        for (const f of l.from) if (tellsWhere(f)) says.set(l.lineId, [...(says.get(l.lineId) ?? []), sayTaken(f)])
      setFrom(new Map([...says].map(([line, parts]) => [line, parts.join(', ')])))
    })
    return () => {
      gone = true
    }
  }, [saleId, on, asked])
  return from
}
