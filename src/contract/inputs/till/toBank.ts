import { z } from 'zod'
import { on, amount, id } from '@/contract/fields'

export const bankSlipInput = z.object({
  on,
  cash: amount.default('0'),
  /** Receipts whose cheques go along. */
  cheques: z.array(id).max(500).default([]),
})

export const settleCardsInput = z.object({
  on,
  receipts: z.array(id).min(1, 'Choose the card receipts that arrived.').max(500),
  /** What the card company kept. */
  fees: amount.default('0'),
})
