import { isPositiveMoney, parseMoney, subtractMoney, type Money } from '@/core/money'
import { settlementsList, slipsList } from '@/lists/bank'
import { dayOf } from '@/lists/days'
import { drawerList } from '@/lists/drawer'
import { EXPECTED_WEEKS } from '@/core/receivables'
import { expectedList } from '@/lists/expected'
import { heldList } from '@/lists/held'
import { invoicesList } from '@/lists/invoices'
import { layawaysList } from '@/lists/layaways'
import { owedColumns, owedList } from '@/lists/owed'
import { openItemsList } from '@/lists/openItems'
import { plansList } from '@/lists/plans'
import { receiptsList } from '@/lists/receipts'
import { drawerLines, readDrawer } from '@/model/bank/drawer'
import { readSettlements, readSlips } from '@/model/bank/toBank'
import { readHeldReport } from '@/model/held/heldReport'
import { readRegister } from '@/model/invoice/register'
import { readLayawayBook } from '@/model/plan/layawayBook'
import { readPlanBook } from '@/model/plan/planBook'
import { readReceiptBook } from '@/model/receipt/receiptPage'
import { readExpected } from '@/model/receivables/expected'
import { readOpenAsOf } from '@/model/receivables/openAsOf'
import { readOwed } from '@/model/receivables/owed'
import { given, pageOfAll, pageOfQuery, partOf, reader } from './reader'

/** An amount somebody filters by; more places than the currency has is no amount. */
const amountOf = (text: string | null, currency: string): Money | undefined => {
  const parsed = text === null ? null : parseMoney(text, currency)
  return parsed?.ok ? parsed.value : undefined
}

export const invoices = reader(invoicesList, async (where, asked, size) => {
  const { customer, goods, least, most, ...rest } = asked.filter
  const filter = {
    ...given(rest),
    customerId: customer ?? undefined,
    goodsId: goods ?? undefined,
    least: amountOf(least, where.currency),
    most: amountOf(most, where.currency),
  }
  const { rows, sums } = await readRegister(where, filter, partOf(asked, size, invoicesList.opensBy))
  if (!sums) return pageOfQuery(invoicesList.columns, rows, size)
  const { count, ...amounts } = sums
  return pageOfQuery(invoicesList.columns, rows, size, { sums: amounts, count })
})

export const receipts = reader(receiptsList, async (where, asked, size) => {
  const { customer, amount, ...rest } = asked.filter
  const filter = { ...given(rest), customerId: customer ?? undefined, amount: amountOf(amount, where.currency) }
  const { rows, sums } = await readReceiptBook(where, filter, partOf(asked, size, receiptsList.opensBy))
  if (!sums) return pageOfQuery(receiptsList.columns, rows, size)
  return pageOfQuery(receiptsList.columns, rows, size, { sums: { amount: sums.amount }, count: sums.count })
})

export const expected = reader(expectedList, async (where, asked, size) =>
  pageOfAll(expectedList, await readExpected(where, EXPECTED_WEEKS), asked, size, where),
)

export const receivables = reader(owedList, async (where, asked, size) => {
  const { asOf, by, group, show, kind, channel } = asked.filter
  const wish = {
    ...dayOf(asked.filter, where.today),
    by: by ?? 'due',
    group: group ?? 'customer',
    only: given({ kind, channel }),
  } as const
  const owed = await readOwed(where.db, wish, where.business)
  const shown = owed.rows.filter((r) =>
    show === 'late'
      ? isPositiveMoney(subtractMoney(r.total, r.notDue))
      : show === 'held'
        ? isPositiveMoney(r.held) || isPositiveMoney(r.onAccount)
        : true,
  )
  const columns = owedColumns(wish.group, where.business.ageLimits, { asOf, by })
  return { ...pageOfAll({ columns, opensBy: owedList.opensBy }, shown, asked, size, where), owed }
})

export const plans = reader(plansList, async (where, asked, size) => {
  const book = await readPlanBook(where.db, { ended: asked.filter.ended === 'true' }, where.business, where.today)
  return { ...pageOfAll(plansList, book.rows, asked, size, where), book }
})

export const layaways = reader(layawaysList, async (where, asked, size) =>
  pageOfAll(layawaysList, (await readLayawayBook(where.db, where.business, where.today)).rows, asked, size, where),
)

export const held = reader(heldList, async (where, asked, size) => {
  const report = await readHeldReport(where.db, dayOf(asked.filter, where.today).asOf, where.currency)
  return { ...pageOfAll(heldList, report.lines, asked, size, where), report }
})

export const drawer = reader(drawerList, async (where, asked, size) => {
  const drawer = await readDrawer(where.db, asked.filter.on ?? where.today, where.currency)
  return { ...pageOfAll(drawerList, drawerLines(drawer), asked, size, where), drawer }
})

export const slips = reader(slipsList, async (where, asked, size) =>
  pageOfAll(slipsList, await readSlips(where), asked, size, where),
)

export const settlements = reader(settlementsList, async (where, asked, size) =>
  pageOfAll(settlementsList, await readSettlements(where), asked, size, where),
)

export const openItems = reader(openItemsList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  const open = await readOpenAsOf(where, asked.filter.customer ?? 0, asOf)
  return pageOfAll(openItemsList, open?.dues ?? [], asked, size, where)
})
