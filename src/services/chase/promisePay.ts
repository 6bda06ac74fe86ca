import { dropPromiseInput, promisePayInput } from '@/contract/inputs/chase/promisePay'
import { isPositiveMoney, sumMoney, toDecimalString } from '@/core/money'
import { defineCommand } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import { answerSale, takeSale } from '../sales/saleWork'
import { listDuesOfSales } from '@/data/queries/due'
import { dropPromises, insertPromise } from '@/data/queries/payPromise'

/** The customer says they will pay by a day. A new promise takes the place of an older one; a broken one comes back in Today. */
export const promisePay = defineCommand('promise-pay', promisePayInput, async (w, p) => {
  const { sale } = await takeSale(w, p.saleId)
  if (p.by < w.today) refuseAt('by', 'A promise is for today or a later day.')
  const open = sumMoney(
    (await listDuesOfSales(w.tx, [sale.id], w.currency)).map((d) => d.open),
    w.currency,
  )
  if (!isPositiveMoney(open)) refuse({ code: 'nothing-open' })
  const amount = p.amount === undefined ? open : w.money(p.amount, 'amount')
  if (amount.minor > open.minor) refuse({ code: 'more-than-open', open, asked: amount })
  await dropPromises(w.tx, sale.id, w.today)
  const promiseId = await insertPromise(w.tx, {
    customerId: sale.customerId,
    saleId: sale.id,
    madeOn: w.today,
    byDay: p.by,
    amount: amount.minor,
    note: p.note,
  })
  return {
    id: promiseId,
    answer: async () => ({ id: promiseId, saleId: sale.id, by: p.by, amount: toDecimalString(amount) }),
  }
})

/** The promise no longer counts. */
export const dropPromise = defineCommand('drop-promise', dropPromiseInput, async (w, { saleId }) => {
  await takeSale(w, saleId)
  await dropPromises(w.tx, saleId, w.today)
  return answerSale(w, saleId)
})
