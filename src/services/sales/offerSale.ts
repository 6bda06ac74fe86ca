import { offerSaleInput } from '@/contract/inputs/sales/offerSale'
import { addDays, type Day } from '@/core/day'
import { updateSale } from '@/data/queries/sales'
import { defineCommand, type Work } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import { keepVersion } from './keepVersion'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale } from './saleWork'

/** Keeps a sale that is taken as an estimate that is out. */
export const offerIn = async (
  w: Work,
  saleId: number,
  offer: { readonly sentOn: Day; readonly validUntil: Day },
): Promise<void> => {
  await updateSale(w.tx, saleId, offer)
  await keepVersion(w, await refreshSale(w, saleId), {
    kind: 'offered',
    on: offer.sentOn,
    validUntil: offer.validUntil,
  })
  await updateSale(w.tx, saleId, { reworked: false })
}

/** Sends the estimate: it is kept as it is now, and good through `validUntil`. Also renews one that lapsed. */
export const offerSale = defineCommand('offer-sale', offerSaleInput, async (w, { saleId, on: given, validUntil }) => {
  const locked = await takeSale(w, saleId)
  mustBeOpen(locked)
  if (locked.sale.agreedOn) refuse({ code: 'already-agreed', on: locked.sale.agreedOn })
  if (locked.lines.length === 0) refuse({ code: 'nothing-on-sale' })
  const sentOn = given ?? w.today
  const until = validUntil ?? addDays(sentOn, w.business.estimateDays)
  if (until < sentOn) refuseAt('validUntil', 'The estimate must be good on the day it is sent.')
  await offerIn(w, saleId, { sentOn, validUntil: until })
  return answerSale(w, saleId)
})
