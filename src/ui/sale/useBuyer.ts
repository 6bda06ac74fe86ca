import { useRef } from 'react'
import type { AreaAddress } from '@/core/tax'
import { call } from '../send'
import { tell } from '../tell'

/** A customer as a sale needs to know them. */
export interface Buyer {
  readonly id: number
  readonly name: string
  readonly email: string
  readonly exempt: boolean
  readonly pricesIncludeTax: boolean
  readonly priceLevelName: string
  readonly owed: string
  readonly late: string
  readonly held: string
  readonly creditLimit: string | null
  readonly committed: string
  readonly addresses: readonly AreaAddress[]
}

/** A customer by their id; where nobody answers why is told, and there is none. */
const readBuyer = async (id: number): Promise<Buyer | null> => {
  const full = await call('GET', `/customers/${id}`)
  if (full.ok) return full.value
  tell(full.detail)
  return null
}

/** Reads whoever is chosen. Who is chosen last it is, whoever's answer comes last. */
export const useBuyer = (onBuyer: (buyer: Buyer) => void, start?: number) => {
  const last = useRef(start)
  return {
    choose: async (id: number): Promise<void> => {
      last.current = id
      const found = await readBuyer(id)
      if (found && last.current === id) onBuyer(found)
    },
    /** What this one was chosen for is over. */
    forget: (): void => void (last.current = undefined),
    isStill: (id: number): boolean => last.current === id,
  }
}
