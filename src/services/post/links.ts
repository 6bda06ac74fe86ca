import { giveLinkInput, withdrawLinksInput, withdrawLinkInput } from '@/contract/inputs/post/links'
import { addDays, type Day } from '@/core/day'
import { insertLink, listLinksOf, withdrawLink, withdrawLinks } from '@/data/queries/links'
import { findSales } from '@/data/queries/sales'
import type { Db } from '@/data/connect'
import { hashToken, makeSecret } from '../access/secrets'
import { defineCommand } from '../command'
import { found } from '@/contract/refuse'
import { publicAddress } from './publicAddress'

/** How many days a link opens a page. */
export const LINK_DAYS = 180

interface LinkFor {
  readonly customerId: number
  readonly saleId: number | null
  /** Everything of the customer: where the owner chose so, and for what is about no single sale. */
  readonly opensAll: boolean
  readonly on: Day
}

/** Makes a way into a customer's own page. The secret is in the address alone; its hash is kept. */
export const makeLink = async (db: Db, { customerId, saleId, opensAll, on }: LinkFor): Promise<string> => {
  const token = makeSecret()
  await insertLink(db, {
    customerId,
    saleId,
    opensAll: opensAll || saleId === null,
    tokenHash: hashToken(token),
    madeOn: on,
    expiresOn: addDays(on, LINK_DAYS),
  })
  return `${publicAddress()}/c/${token}`
}

/** A link to give away by hand: in a message, on a card. It is told once; its answer is not kept. */
export const giveLink = defineCommand(
  'give-link',
  giveLinkInput,
  async (w, { saleId }) => {
    const sale = found((await findSales(w.tx, [saleId], w.currency))[0], 'sale', saleId)
    const { customerId } = sale
    const address = await makeLink(w.tx, {
      customerId,
      saleId,
      opensAll: w.business.linksOpenAll,
      on: w.today,
    })
    return { id: saleId, answer: async () => ({ saleId, address }) }
  },
  { answerIsSecret: true },
)

/** Withdraws all links of a sale. Whoever follows one is told it is no longer open. */
export const withdrawSaleLinks = defineCommand('withdraw-links', withdrawLinksInput, async (w, { saleId }) => {
  found((await findSales(w.tx, [saleId], w.currency))[0], 'sale', saleId)
  const withdrawn = await withdrawLinks(w.tx, { saleId }, w.today)
  return { id: saleId, answer: async () => ({ saleId, withdrawn }) }
})

/** Turns one link off, whatever it was made for. */
export const withdrawOneLink = defineCommand('withdraw-link', withdrawLinkInput, async (w, { linkId }) => {
  found((await withdrawLink(w.tx, linkId, w.today)) ? linkId : undefined, 'link', linkId)
  return { id: linkId, answer: async () => ({ id: linkId, withdrawnOn: w.today }) }
})

/** The links of a customer that open something on a day, without their secrets. */
export const readLinks = (db: Db, customerId: number, on: Day) => listLinksOf(db, customerId, on)
