import { openingInput } from '@/contract/inputs/books/opening'
import type { z } from 'zod'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { isKeptByPapers, openingDifference, postOpening, type OpeningBalances } from '@/core/ledger'
import { decimal, isZeroMoney, subtractMoney, sumMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { findBillByNumber, insertBill, insertBillLines } from '@/data/queries/bill'
import { findCustomer } from '@/data/queries/customers'
import { insertDues } from '@/data/queries/due'
import { insertHeldMoves } from '@/data/queries/held'
import { findEntry } from '@/data/queries/ledger'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { findSupplier } from '@/data/queries/suppliers'
import { viewOfEntry } from '@/model/books/entryView'
import { defineCommand, paperDay, type Work } from '../command'
import { writeCount } from '../goods/countStock'
import { refreshSale } from '../sales/refreshSale'
import { writeEmptySale } from '../sales/emptySale'

type Opening = z.output<typeof openingInput>

/** Rows of accounts, in debit. Those that sections make are refused. */
const accountRows = async (w: Work, rows: Opening['accounts']): Promise<OpeningBalances['accounts']> => {
  const accounts = await listAccounts(w.tx)
  return rows.map((r, i) => {
    const account =
      accounts.find((a) => a.code === r.code) ?? refuseAt(`accounts.${i}.code`, `There is no account ${r.code}.`)
    if (isKeptByPapers(account))
      refuseAt(`accounts.${i}.code`, `${account.name} comes from its own list. Leave it out here.`)
    const [debited, credited] = (['debit', 'credit'] as const).map((side) => {
      const text = r[side]
      return text === undefined ? zeroMoney(w.currency) : w.money(text, `accounts.${i}.${side}`)
    })
    const amount = subtractMoney(present(debited), present(credited))
    if (isZeroMoney(present(debited)) === isZeroMoney(present(credited)))
      refuseAt(`accounts.${i}`, 'Give a debit or a credit, one of them.')
    return { accountId: account.id, isEquity: account.kind === 'equity', amount }
  })
}

const sumOf = (w: Work, rows: readonly { readonly amount: string }[], path: string): Money =>
  sumMoney(
    rows.map((r, i) => w.money(r.amount, `${path}.${i}.amount`)),
    w.currency,
  )

/** What customers owed before: one sale each, with a due for every invoice, as old as the invoice is. */
const writeReceivables = async (w: Work, on: Opening['on'], rows: Opening['receivables']): Promise<void> => {
  for (const [i, r] of rows.entries())
    if (r.on > on) refuseAt(`receivables.${i}.on`, `${r.number} is dated after the first day. Enter it as an invoice.`)
  for (const customerId of [...new Set(rows.map((r) => r.customerId))]) {
    const at = rows.findIndex((r) => r.customerId === customerId)
    const customer = await findCustomer(w.tx, customerId, w.currency)
    if (!customer) return refuseAt(`receivables.${at}.customerId`, `There is no customer ${customerId}.`)
    const saleId = await writeEmptySale(w, { title: 'Owed from before', on, customer })
    await insertDues(
      w.tx,
      rows.flatMap((r, n) => {
        if (r.customerId !== customerId) return []
        const { minor } = w.money(r.amount, `receivables.${n}.amount`)
        const days = { issuedOn: on, paperOn: r.on, dueOn: r.due }
        return [{ saleId, customerId, ...days, amount: minor, beyond: minor, label: r.number }]
      }),
    )
    await refreshSale(w, saleId)
  }
}

/** What we owed before: a bill each, as old as it is, which no tax comes back of any more. */
const writePayables = async (w: Work, entryId: number, on: Opening['on'], rows: Opening['payables']): Promise<void> => {
  const accountId = w.accountId('opening-balances')
  for (const [i, r] of rows.entries()) {
    const path = `payables.${i}`
    if (r.on > on) refuseAt(`${path}.on`, `${r.number} is dated after the first day. Enter it as a bill.`)
    if (!(await findSupplier(w.tx, r.supplierId)))
      refuseAt(`${path}.supplierId`, `There is no supplier ${r.supplierId}.`)
    if (await findBillByNumber(w.tx, r.supplierId, r.number)) refuse({ code: 'taken', what: 'bill', value: r.number })
    const { minor } = w.money(r.amount, `${path}.amount`)
    const number = await takeNumber(w.tx, 'bill', on)
    const id = await reserveId(w.tx, 'bill')
    const sums = { net: minor, tax: 0n, gross: minor }
    const days = { onDay: on, paperOn: r.on, dueOn: r.due }
    await insertBill(w.tx, { number, supplierId: r.supplierId, theirNumber: r.number, ...days, ...sums, entryId }, id)
    await insertBillLines(w.tx, [
      {
        billId: id,
        position: 0,
        accountId,
        description: 'Owed from before',
        quantity: decimal('1'),
        unitCost: decimal(r.amount),
        net: minor,
        tax: 0n,
      },
    ])
  }
}

/**
 * What the business had and owed when its books began here: accounts, what customers owed and we owed with their own days, money on
 * account, and stock. All of it or nothing; what is left is the owner’s.
 */
export const openBooks = defineCommand('open-books', openingInput, async (w, input) => {
  const on = paperDay(w, input.on)
  const counted = input.stock.length > 0 ? await writeStock(w, on, input.stock) : zeroMoney(w.currency)
  const opening: OpeningBalances = {
    on,
    text: 'Opening balances',
    accounts: await accountRows(w, input.accounts),
    receivables: sumOf(w, input.receivables, 'receivables'),
    payables: sumOf(w, input.payables, 'payables'),
    held: sumOf(w, input.held, 'held'),
    stock: counted,
    currency: w.currency,
  }
  const difference = openingDifference(opening)
  if (!isZeroMoney(difference)) refuse({ code: 'opening-differs', difference })
  const draft = postOpening(opening)
  if (draft.lines.length === 0) refuseAt('accounts', 'Enter at least one figure.')
  const entryId = await w.post(draft, { kind: 'opening', id: null })
  await writeReceivables(w, on, input.receivables)
  await writePayables(w, entryId, on, input.payables)
  for (const [i, h] of input.held.entries())
    found(await findCustomer(w.tx, h.customerId, w.currency), `customer (held.${i})`, h.customerId)
  await insertHeldMoves(
    w.tx,
    input.held.map((h, i) => ({
      customerId: h.customerId,
      saleId: null,
      kind: 'account' as const,
      onDay: on,
      amount: w.money(h.amount, `held.${i}.amount`).minor,
      why: 'opening' as const,
      entryId,
    })),
  )
  return {
    id: entryId,
    answer: async () => ({
      ...viewOfEntry(present(await findEntry(w.tx, entryId, w.currency))),
      difference: toDecimalString(difference),
    }),
  }
})

/** Stock by place, as a count of each place finds it. */
const writeStock = async (w: Work, on: Opening['on'], rows: Opening['stock']): Promise<Money> => {
  const values: Money[] = []
  for (const placeId of [...new Set(rows.map((r) => r.placeId))]) {
    const lines = rows
      .filter((r) => r.placeId === placeId)
      .map(({ goodsId, quantity, unitCost, lot, serials }) => ({ goodsId, counted: quantity, unitCost, lot, serials }))
    values.push((await writeCount(w, { on, placeId, lines })).value)
  }
  return sumMoney(values, w.currency)
}
