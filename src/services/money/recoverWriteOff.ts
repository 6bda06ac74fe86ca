import { recoverWriteOffInput } from '@/contract/inputs/money/recoverWriteOff'
import { present } from '@/core/present'
import {
  isPositiveMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  toDecimalString,
  type Money,
  negateMoney,
} from '@/core/money'
import { postWriteOff, reverseEntry } from '@/core/ledger'
import { firstDayFor, lowestFrom } from '@/core/running'
import type { Day } from '@/core/day'
import { dayAfter, defineCommand, type Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { takeSale } from '../sales/saleWork'
import { asPostings, taxBack } from './taxWork'
import { insertFills, listFillsOfDues, listFillsOfEntry } from '@/data/queries/fill'
import { findWriteOff, insertWriteOffRecovery } from '@/data/queries/writeOff'
import { insertTaxMoves } from '@/data/queries/taxMove'

interface OwedAgain {
  readonly dueId: number
  readonly amount: Money
  /** All that is written off of the due now. */
  readonly whole: Money
}

/** What of a write-off still stands on its dues, as far as the day and every later one bears it. */
const standing = async (w: Work, entryId: number, on: Day): Promise<OwedAgain[]> => {
  const written = (await listFillsOfEntry(w.tx, entryId, w.currency)).filter((f) => f.kind === 'write-off')
  const fills = (
    await listFillsOfDues(
      w.tx,
      written.map((f) => f.dueId),
      w.currency,
    )
  ).filter((f) => f.kind === 'write-off')
  return written.map((f) => {
    const ofDue = fills.filter((x) => x.dueId === f.dueId)
    const whole = sumMoney(
      ofDue.map((x) => x.amount),
      w.currency,
    )
    const amount = smallerMoney(f.amount, whole)
    const changes = ofDue.map((x) => ({ on: x.on, by: x.amount.minor }))
    const from = firstDayFor([changes], amount.minor, on)
    if (lowestFrom(changes, on) < amount.minor && from !== null)
      refuse({ code: 'not-before', from, what: 'It was written off, or partly credited, only later.' })
    return { dueId: f.dueId, amount, whole }
  })
}

/** A debt that was written off is owed again: the loss is taken back, with its tax, and the dues open again. */
export const recoverWriteOff = defineCommand(
  'recover-write-off',
  recoverWriteOffInput,
  async (w, { writeOffId, on: given, reason }) => {
    const seen = found(await findWriteOff(w.tx, writeOffId, w.currency), 'write-off', writeOffId)
    const { sale } = await takeSale(w, seen.saleId)
    const paper = present(await findWriteOff(w.tx, writeOffId, w.currency))
    if (paper.recoveredOn) refuse({ code: 'recovered-already', number: paper.number })
    const onDay = dayAfter(w, given, paper.on, `${paper.number} was written off later.`)
    const again = (await standing(w, paper.entryId, onDay)).filter((a) => isPositiveMoney(a.amount))
    if (again.length === 0) refuse({ code: 'recovered-already', number: paper.number })
    const taxes = await Promise.all(again.map((a) => taxBack(w, { id: a.dueId, why: 'write-off' }, a.amount, a.whole)))
    const amount = sumMoney(
      again.map((a) => a.amount),
      w.currency,
    )
    const tax = sumMoney(
      taxes.flat().map((t) => t.amount),
      w.currency,
    )
    const text = `${paper.number} is owed after all, ${sale.customerName}: ${reason}`
    const writtenOff = postWriteOff({
      on: onDay,
      text,
      net: subtractMoney(amount, tax),
      taxes: await asPostings(w, taxes.flat()),
    })
    const entryId = await w.post(reverseEntry(writtenOff, onDay, text), {
      kind: 'write-off',
      id: writeOffId,
      saleId: paper.saleId,
      customerId: paper.customerId,
      reversesId: paper.entryId,
    })
    await insertWriteOffRecovery(w.tx, { writeOffId, onDay, amount: amount.minor, reason, entryId })
    await insertFills(
      w.tx,
      again.map((a) => ({
        dueId: a.dueId,
        onDay,
        amount: negateMoney(a.amount).minor,
        kind: 'write-off' as const,
        entryId,
      })),
    )
    for (const [i, a] of again.entries())
      await insertTaxMoves(w.tx, present(taxes[i]), { onDay, why: 'write-off', dueId: a.dueId, entryId })
    await refreshSale(w, paper.saleId)
    return {
      id: writeOffId,
      answer: async () => ({
        id: writeOffId,
        number: paper.number,
        amount: toDecimalString(amount),
        recoveredOn: onDay,
        reason,
      }),
    }
  },
)
