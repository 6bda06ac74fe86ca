import type { z } from 'zod'
import type { matchLineInput, SettleInput } from '@/contract/inputs/bank/bank'
import { found, refuse, refuseAt } from '@/contract/refuse'
import type { SettleKind } from '@/core/bank'
import { absMoney, isPositiveMoney, money, subtractMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import { present } from '@/core/present'
import { rowsBy } from '@/core/rowsBy'
import { listBills } from '@/data/queries/bill'
import {
  findEntryOf,
  insertMatches,
  listBankAccounts,
  listPosted,
  type BankAccountRow,
  type BankLineRow,
} from '@/data/queries/bankStatements'
import { findDueOwner } from '@/data/queries/due'
import { findReceipt } from '@/data/queries/receipt'
import { findSupplier } from '@/data/queries/suppliers'
import { listSupplierPayments } from '@/data/queries/supplierPayment'
import { payNamed, payOldest } from '../buying/paySupplier'
import { readPayables, writePayment } from '../buying/payables'
import { paperDay, type Work } from '../command'
import { writeReceipt } from '../money/takeReceipt'
import { takeToBank, writeSettlement, writeSlip } from '../till/toBank'
import { postOnAccounts } from './postOnAccounts'

type Matching = Omit<z.output<typeof matchLineInput>, 'lineId' | 'always'>
type Row = Parameters<typeof insertMatches>[1][number]
type Part = SettleInput & { readonly path: string; readonly sum: Money }

interface At {
  readonly line: BankLineRow
  readonly bank: BankAccountRow
}

const IN: readonly SettleKind[] = ['receipt', 'banking-slip', 'card-takings', 'due', 'customer']
const OUT: readonly SettleKind[] = ['supplier-payment', 'bill', 'supplier']

const partsOf = (w: Work, { settles, fee }: Matching, line: BankLineRow): readonly Part[] => {
  const size = absMoney(line.amount)
  const parts = settles.map((s, i): Part => ({
    ...s,
    path: `settles.${i}`,
    sum: w.money(s.amount, `settles.${i}.amount`),
  }))
  const twice = parts.find(
    (p, i) => p.id !== undefined && parts.findIndex((o) => o.kind === p.kind && o.id === p.id) < i,
  )
  if (twice) refuseAt(`${twice.path}.id`, 'This is named twice. Add the amounts.')
  const sum = sumMoney(
    parts.map((p) => p.sum),
    w.currency,
  )
  const kept = fee === undefined ? money(0n, w.currency) : w.money(fee, 'fee')
  // Takings may be told before their fee or after it: only one of them makes the line.
  const before = sum.minor !== size.minor && subtractMoney(sum, kept).minor === size.minor
  if (sum.minor !== size.minor && !before) refuse({ code: 'settles-differ', line: size, sum })
  const comesIn = isPositiveMoney(line.amount)
  const wrong = parts.find((p) => (comesIn ? OUT : IN).includes(p.kind))
  if (wrong)
    refuseAt(
      `${wrong.path}.kind`,
      comesIn
        ? 'This line came in. Choose what a customer paid.'
        : 'This line went out. Choose what was paid to somebody.',
    )
  if (!before) return parts
  const i = parts.findIndex((p) => p.kind === 'card-takings')
  return parts.map((p, at) => (at === i ? { ...p, sum: subtractMoney(p.sum, kept) } : p))
}

/** Something that is in the books on this account already. */
const settlePosted = async (w: Work, { line, bank }: At, p: Part): Promise<Row> => {
  const id = present(p.id)
  const entryId = found(
    await findEntryOf(w.tx, p.kind === 'transfer' ? 'entry' : p.kind, id),
    p.kind.replace('-', ' '),
    id,
  )
  const [posted] = await listPosted(w.tx, { accountId: bank.accountId, entryIds: [entryId] }, w.currency)
  const sameWay = posted && isPositiveMoney(posted.amount) === isPositiveMoney(line.amount)
  if (!posted || !sameWay || absMoney(posted.amount).minor < p.sum.minor)
    return refuse({ code: 'not-on-account', what: posted?.text ?? `${p.kind} ${id}` })
  return { lineId: line.id, kind: p.kind, entryId, amount: p.sum.minor }
}

/** Customers’ money: one receipt each, for the dues named, else the oldest first; the rest on account. */
const settleDues = async (w: Work, { line, bank }: At, parts: readonly Part[]): Promise<Row[]> => {
  const owned: { readonly owner: number; readonly part: Part }[] = []
  for (const part of parts) {
    const id = part.id ?? refuseAt(`${part.path}.id`, 'Say which one it is.')
    owned.push({ part, owner: part.kind === 'customer' ? id : found(await findDueOwner(w.tx, id), 'due', id) })
  }
  const rows: Row[] = []
  for (const [customerId, of] of rowsBy(owned, (o) => o.owner)) {
    const mine = of.map((o) => o.part)
    const amount = sumMoney(
      mine.map((p) => p.sum),
      w.currency,
    )
    const dues = mine
      .filter((p) => p.kind === 'due')
      .map((p) => ({ dueId: present(p.id), amount: toDecimalString(p.sum) }))
    const receipt = {
      customerId,
      on: line.on,
      method: 'transfer' as const,
      amount: toDecimalString(amount),
      reference: line.text.slice(0, 120),
      for: dues.length > 0 ? dues : ('oldest' as const),
    }
    const madeId = await writeReceipt(w, receipt, bank.isMain ? undefined : bank.accountId)
    const { entryId } = present(await findReceipt(w.tx, madeId, w.currency))
    rows.push({ lineId: line.id, kind: present(mine[0]).kind, entryId, amount: amount.minor, made: 'receipt', madeId })
  }
  return rows
}

/** Money to suppliers: one payment each, for the bills named, else the oldest first; the rest in advance. */
const settleBills = async (w: Work, { line, bank }: At, parts: readonly Part[]): Promise<Row[]> => {
  const bills = await listBills(w.tx, { ids: parts.flatMap((p) => (p.kind === 'bill' ? (p.id ?? []) : [])) })
  const supplierOf = (p: Part): number => {
    const id = p.id ?? refuseAt(`${p.path}.id`, 'Say which one it is.')
    if (p.kind === 'supplier') return id
    return found(
      bills.find((b) => b.id === id),
      'bill',
      id,
    ).supplierId
  }
  const rows: Row[] = []
  for (const [supplierId, mine] of rowsBy(parts, supplierOf)) {
    const supplier = found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
    const amount = sumMoney(
      mine.map((p) => p.sum),
      w.currency,
    )
    const named = mine
      .filter((p) => p.kind === 'bill')
      .map((p) => ({ billId: present(p.id), amount: toDecimalString(p.sum) }))
    const payables = await readPayables(w, supplierId, line.on)
    const paid = named.length > 0 ? payNamed(w, payables, named, amount) : payOldest(payables, amount)
    const madeId = await writePayment(w, { supplier, on: line.on, accountId: bank.accountId, amount, paid })
    const { entryId } = present((await listSupplierPayments(w.tx, { id: madeId }))[0])
    const { kind } = present(mine[0])
    rows.push({ lineId: line.id, kind, entryId, amount: amount.minor, made: 'supplier-payment', madeId })
  }
  return rows
}

/** Checks or card payments that arrived: their slip, or their payout less the fee, is entered with it. */
const settleOnTheWay = async (w: Work, { line, bank }: At, p: Part): Promise<Row> => {
  const receipts = p.receiptIds ?? []
  if (!bank.isMain)
    refuseAt(`${p.path}.kind`, 'Checks and card payments go to the main bank account. Enter them there.')
  const isSlip = p.kind === 'banking-slip'
  const gross = sumMoney(
    (await takeToBank(w, receipts, isSlip ? 'cheque' : 'card')).map((r) => r.amount),
    w.currency,
  )
  const fee = subtractMoney(gross, p.sum)
  if (fee.minor < 0n || (isSlip && fee.minor !== 0n)) refuse({ code: 'settles-differ', line: p.sum, sum: gross })
  const done = isSlip
    ? await writeSlip(w, { on: line.on, cash: '0', cheques: [...receipts] })
    : await writeSettlement(w, { on: line.on, receipts: [...receipts], fees: toDecimalString(fee) })
  const made = isSlip ? ('banking-slip' as const) : ('card-settlement' as const)
  return { lineId: line.id, kind: p.kind, entryId: done.entryId, amount: p.sum.minor, made, madeId: done.id }
}

/** Settles a line by exactly what it is; what is not in the books yet is entered on the line’s own day. */
export const settleLine = async (w: Work, line: BankLineRow, matching: Matching): Promise<void> => {
  paperDay(w, line.on)
  const bank = present((await listBankAccounts(w.tx)).find((b) => b.id === line.bankAccountId))
  const at: At = { line, bank }
  const parts = partsOf(w, matching, line)
  const rows: Row[] = []
  const owed = parts.filter((p) => p.kind === 'due' || p.kind === 'customer')
  const bills = parts.filter((p) => p.kind === 'bill' || p.kind === 'supplier')
  const byAccount = parts.filter((p) => p.kind === 'account' || (p.kind === 'transfer' && p.id === undefined))
  const rest = parts.filter((p) => !owed.includes(p) && !bills.includes(p) && !byAccount.includes(p))
  for (const p of rest) {
    const onTheWay = (p.kind === 'banking-slip' || p.kind === 'card-takings') && p.receiptIds !== undefined
    if (!onTheWay && p.id === undefined) refuseAt(`${p.path}.id`, 'Say which one it is.')
    rows.push(onTheWay ? await settleOnTheWay(w, at, p) : await settlePosted(w, at, p))
  }
  if (owed.length > 0) rows.push(...(await settleDues(w, at, owed)))
  if (bills.length > 0) rows.push(...(await settleBills(w, at, bills)))
  if (byAccount.length > 0) rows.push(...(await postOnAccounts(w, { line, accountId: bank.accountId }, byAccount)))
  await insertMatches(w.tx, rows)
}
