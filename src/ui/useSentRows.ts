'use client'
import { useState } from 'react'
import { messageFor } from './Refusal'
import type { Refused } from './send'

/** Where rows of a desk stand in what is sent, by their names on it: `lines.0`. */
export type SentRows = ReadonlyMap<string, string>

/** Rows that are sent in this order, as this list. */
export const inOrder = (list: string, rows: readonly { readonly key: string }[]): SentRows =>
  new Map(rows.map(({ key }, n) => [key, `${list}.${n}`]))

/** What was refused of a row: it is told at the row as it was sent, whatever was done to the others since. */
export const useSentRows = (refused: Refused | null) => {
  const [sent, sentAs] = useState<SentRows>(new Map())
  return {
    sentAs,
    problem: (row: string, field: string): string | undefined => messageFor(refused, `${sent.get(row)}.${field}`),
    /** The row that something is about. */
    rowOf: (path: string): string | undefined => [...sent].find(([, at]) => path.startsWith(`${at}.`))?.[0],
  }
}
