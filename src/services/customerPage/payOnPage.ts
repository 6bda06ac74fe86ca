import { beginPagePaymentInput } from '@/contract/inputs/customerPage/payOnPage'
import { isPositiveMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '@/core/money'
import { sumPaymentsUnderWay } from '@/data/queries/cardPayments'
import { defineCommand, type Work } from '../command'
import { askPayment } from '../money/cardPayment'
import { refuse } from '@/contract/refuse'
import { mustOpenPage, opensSale, type OpenPage } from './openPage'
import { readDepositsAsked } from '@/model/receivables/depositsAsked'
import { listOpenDues } from '@/data/queries/due'

/** A customer wants to pay by card: checked against what is open and not being paid already, and written down before the card is asked. */
export const beginPagePayment = defineCommand(
  'begin-page-payment',
  beginPagePaymentInput,
  async (w, { token, what, amount }) => {
    const page = await mustOpenPage(w, token)
    const asked = w.money(amount, 'amount')
    const saleId = what === 'deposit' || !page.opensAll ? page.saleId : null
    const underWay = await sumPaymentsUnderWay(w.tx, { customerId: page.customerId, saleId }, w.currency)
    const open = subtractMoney(await openOn(w, page, what), underWay)
    if (!isPositiveMoney(open)) refuse({ code: 'nothing-to-pay' })
    if (asked.minor > open.minor) refuse({ code: 'more-than-to-pay', open, asked })
    const reference = await askPayment(w, { customerId: page.customerId, saleId, amount: asked })
    return { id: page.customerId, answer: async () => ({ reference }) }
  },
)

/** What of a page can be paid: the deposit asked for its sale, or what is open of what it opens. */
const openOn = async (w: Work, page: OpenPage, what: 'open' | 'deposit'): Promise<Money> => {
  if (what === 'deposit') {
    const deposits = await readDepositsAsked(w.tx, page.customerId, w.business, w.today)
    return deposits.find((d) => d.saleId === page.saleId)?.open ?? zeroMoney(w.currency)
  }
  const dues = (await listOpenDues(w.tx, page.customerId, w.currency)).filter((d) => opensSale(page, d.saleId))
  return sumMoney(
    dues.map((d) => d.open),
    w.currency,
  )
}
