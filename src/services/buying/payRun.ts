import { paymentRunInput } from '@/contract/inputs/buying/paymentRun'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { subtractMoney, sumMoney } from '@/core/money'
import { present } from '@/core/present'
import { listBills } from '@/data/queries/bill'
import { listSupplierPayments } from '@/data/queries/supplierPayment'
import { findSupplier } from '@/data/queries/suppliers'
import { paymentView } from '@/model/buying/payments'
import { defineCommand, paperDay } from '../command'
import { takeCheckNumber } from './checkNumber'
import { readPayables, writePayment, type Paid } from './payables'
import { transferFile, type Transfer } from './transferFile'

/** Pays many bills at once from the bank, one payment a supplier, early discounts taken: with the file the bank takes, or as checks. */
export const payRun = defineCommand('pay-run', paymentRunInput, async (w, { on, billIds, check }) => {
  const onDay = paperDay(w, on)
  const twice = billIds.findIndex((id, i) => billIds.indexOf(id) !== i)
  if (twice >= 0) refuseAt(`billIds.${twice}`, 'This bill is named twice. Name it once.')
  const bills = await listBills(w.tx, { ids: billIds })
  for (const id of billIds)
    found(
      bills.find((b) => b.id === id),
      'bill',
      id,
    )
  const from = {
    name: w.business.name,
    iban: w.business.iban.replace(/\s+/g, ''),
    bic: w.business.bic,
    routing: '',
    account: '',
  }
  if (check === undefined && from.iban === '') refuse({ code: 'no-own-bank' })
  const accountId = w.accountId('bank')
  const transfers: Transfer[] = []
  const ids: number[] = []
  for (const supplierId of [...new Set(bills.map((b) => b.supplierId))].sort((a, b) => a - b)) {
    const supplier = present(await findSupplier(w.tx, supplierId))
    if (check === undefined && supplier.iban === '' && supplier.bankAccount === '')
      refuse({ code: 'no-bank', name: supplier.name })
    const payables = (await readPayables(w, supplierId, onDay)).filter((p) => billIds.includes(p.bill.id))
    const closed = bills.find((b) => b.supplierId === supplierId && !payables.some((p) => p.bill.id === b.id))
    if (closed) refuseAt(`billIds.${billIds.indexOf(closed.id)}`, `Nothing of ${closed.number} is open on that day.`)
    const paid = payables.map(({ bill, open, discount }): Paid => ({
      bill,
      paid: subtractMoney(open, discount),
      discount,
    }))
    const amount = sumMoney(
      paid.map((p) => p.paid),
      w.currency,
    )
    const checkNumber =
      check === undefined ? null : await takeCheckNumber(w, accountId, ids.length === 0 ? check : 'next', 'check')
    const id = await writePayment(w, { supplier, on: onDay, accountId, amount, paid, checkNumber })
    const { number } = present((await listSupplierPayments(w.tx, { id }))[0])
    ids.push(id)
    transfers.push({
      reference: number,
      to: {
        name: supplier.name,
        iban: supplier.iban,
        bic: supplier.bic,
        routing: supplier.routing,
        account: supplier.bankAccount,
      },
      amount,
      about: paid.map((p) => p.bill.theirNumber).join(', '),
    })
  }
  const id = present(ids[0])
  return {
    id,
    answer: async () => ({
      payments: await Promise.all(ids.map(async (x) => present(await paymentView(w.tx, x, w)))),
      file:
        check === undefined
          ? transferFile(from, { id: present(transfers[0]).reference, on: onDay, currency: w.currency }, transfers)
          : '',
    }),
  }
})
