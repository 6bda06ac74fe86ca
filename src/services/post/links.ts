import { z } from 'zod'
import { insertLink, withdrawLinks } from '@/data/queries/links'
import { findSales } from '@/data/queries/sales'
import { hashToken, makeSecret } from '../access/secrets'
import { defineCommand, type Work } from '../command'
import { id } from '../input/fields'
import { found } from '../refuse'
import { publicAddress } from './publicAddress'

/** Makes a way into a customer's own page. The secret is in the address alone; its hash is kept. */
export const makeLink = async (
  w: Work,
  of: { readonly customerId: number; readonly saleId: number | null },
): Promise<string> => {
  const token = makeSecret()
  await insertLink(w.tx, { ...of, tokenHash: hashToken(token), madeOn: w.today })
  return `${publicAddress()}/c/${token}`
}

/** A link to give away by hand: in a message, on a card. */
export const giveLink = defineCommand('give-link', z.object({ saleId: id }), async (w, { saleId }) => {
  const sale = found((await findSales(w.tx, [saleId], w.currency))[0], 'sale', saleId)
  const address = await makeLink(w, { customerId: sale.customerId, saleId })
  return { id: saleId, answer: async () => ({ saleId, address }) }
})

/** Withdraws all links of a sale. Whoever follows one is told it is no longer open. */
export const withdrawSaleLinks = defineCommand(
  'withdraw-links',
  z.object({ saleId: id }),
  async (w, { saleId }) => {
    found((await findSales(w.tx, [saleId], w.currency))[0], 'sale', saleId)
    const withdrawn = await withdrawLinks(w.tx, { saleId }, w.today)
    return { id: saleId, answer: async () => ({ saleId, withdrawn }) }
  },
)
