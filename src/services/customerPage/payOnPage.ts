import { z } from 'zod'
import { isPositiveMoney, sumMoney } from '@/core/money'
import { listOpenDues } from '@/data/queries/money'
import { defineCommand } from '../command'
import { positiveAmount, text } from '../input/fields'
import { readDepositsAsked } from '../money/takeReceipt'
import { askPayment } from '../money/cardPayment'
import { refuse } from '../refuse'
import { mustOpenPage } from './openPage'

const input = z.object({
  token: text(100),
  /** What is open, or the deposit asked for the sale the page is about. */
  what: z.enum(['open', 'deposit'], { error: 'Say open or deposit.' }),
  amount: positiveAmount,
})

/** A customer wants to pay by card: checked against what is open, and written down before the card is asked. */
export const beginPagePayment = defineCommand(
  'begin-page-payment',
  input,
  async (w, { token, what, amount }) => {
    const page = await mustOpenPage(w.tx, token)
    const asked = w.money(amount, 'amount')
    const deposits = await readDepositsAsked(w.tx, page.customerId, w.business, w.today)
    const open =
    what === 'deposit'
      ? (deposits.find((d) => d.saleId === page.saleId)?.open ?? { minor: 0n, currency: w.currency })
      : sumMoney((await listOpenDues(w.tx, page.customerId, w.currency)).map((d) => d.open), w.currency) // prettier-ignore
    if (!isPositiveMoney(open)) refuse({ code: 'nothing-to-pay' })
    if (asked.minor > open.minor) refuse({ code: 'more-than-to-pay', open, asked })
    const reference = await askPayment(w, {
      customerId: page.customerId,
      saleId: what === 'deposit' ? page.saleId : null,
      amount: asked,
    })
    return { id: page.customerId, answer: async () => ({ reference }) }
  },
)
