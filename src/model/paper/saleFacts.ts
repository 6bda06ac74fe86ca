import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { findDepositRequest } from '@/data/queries/depositRequest'
import { findHandover } from '@/data/queries/handover'
import { readStories } from '../sale/readStories'
import type { Asked } from '../where'

/** A sale and who it is for; null where there is none. */
export const readSaleFacts = async ({ db, business, today }: Asked, saleId: number) => {
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  return { story, customer: present(await findCustomer(db, story.sale.customerId, business.currency)) }
}

/** A handover with its sale; null where there is none. */
export const readHandoverFacts = async (asked: Asked, handoverId: number) => {
  const handover = await findHandover(asked.db, handoverId, asked.business.currency)
  const facts = handover && (await readSaleFacts(asked, handover.saleId))
  return facts && { ...facts, handover }
}

/** A request for a deposit with its sale; null where there is none. */
export const readDepositRequestFacts = async (asked: Asked, requestId: number) => {
  const request = await findDepositRequest(asked.db, requestId, asked.business.currency)
  const facts = request && (await readSaleFacts(asked, request.saleId))
  return facts && { ...facts, request }
}
