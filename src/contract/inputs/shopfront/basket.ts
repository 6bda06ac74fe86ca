import { z } from 'zod'
import { amount, id, quantityOrZero, text } from '@/contract/fields'

/** Which basket: the owner names it, a customer's browser shows its secret. */
export const whose = { basketId: id.optional(), secret: text(100).optional() }

export const orderBasketInput = z.object({
  ...whose,
  /** The turn of the basket that was looked at: a newer one must be looked at first. */
  turn: z.int().min(0),
  /** What it came to with tax when it was looked at: where a price changed since, it must be looked at again. */
  total: amount.optional(),
  /** Whom it is for; left out, the customer with the basket's e-mail, or a new one. */
  customerId: id.optional(),
  pay: z.enum(['card', 'bill'], { error: 'Say card or bill.' }).default('bill'),
})

export const putInBasketInput = z.object({ ...whose, goodsId: id, quantity: quantityOrZero })

export const facts = {
  name: text(200).optional(),
  email: z.union([z.literal(''), z.email('An e-mail address looks like name@place.example.').max(200)]).optional(),
  phone: text(60).optional(),
  deliverTo: text(500).optional(),
  note: text(2000).optional(),
}

export const tellBasketInput = z.object({ ...whose, ...facts })
