'use client'
import { useEffect } from 'react'

/** A key that does something on the page one is on, beside those that work everywhere. */
export interface PageKey {
  readonly key: string
  readonly label: string
  /** The page it leads to. */
  readonly to?: string
  readonly run: () => void
}

const standing = new Map<symbol, readonly PageKey[]>()

/** The keys of what is on the page now. */
export const pageKeys = (): readonly PageKey[] => [...standing.values()].flat()

/** Lets a part of the page hear its keys as long as it is there. */
export const usePageKeys = (keys: readonly PageKey[]): void => {
  useEffect(() => {
    const mine = Symbol()
    standing.set(mine, keys)
    return () => {
      standing.delete(mine)
    }
  })
}
