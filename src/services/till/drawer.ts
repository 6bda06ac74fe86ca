import { moveDrawerInput, countDrawerInput } from '@/contract/inputs/till/drawer'
import {
  isZeroMoney,
  negateMoney,
  subtractMoney,
  toDecimalString,
  sumPieces,
  compareMoney,
  formatMoney,
} from '@/core/money'
import { isKeptByPapers, postDrawerCount, postDrawerMove } from '@/core/ledger'
import { listAccounts } from '@/data/queries/accounts'
import { takeNumber } from '@/data/queries/numbers'
import { insertDrawerCount, insertDrawerMove } from '@/data/queries/drawer'
import { defineCommand, paperDay, type Work } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import { reserveId } from '@/data/queries/reserveId'
import { sumRole } from '@/data/queries/balances'

const otherAccount = async (w: Work, code: string | undefined, direction: 'in' | 'out') => {
  const accounts = await listAccounts(w.tx)
  const chosen = code
    ? accounts.find((a) => a.code === code)
    : (accounts.find((a) => (direction === 'in' ? a.role === 'owner-capital' : a.code === '6020')) ??
      accounts.find((a) => a.role === 'owner-capital'))
  if (!chosen) return refuse({ code: 'not-found', what: 'account', id: code ?? '' })
  if (chosen.role === 'drawer' || isKeptByPapers(chosen))
    refuse({ code: 'account-kept-by-papers', account: chosen.name })
  return chosen
}

/** Cash put into the drawer (the float of a day) or taken out of it, with a reason. */
export const moveDrawer = defineCommand('move-drawer', moveDrawerInput, async (w, m) => {
  const onDay = paperDay(w, m.on)
  const asked = w.money(m.amount, 'amount')
  const account = await otherAccount(w, m.account, m.direction)
  const there = await sumRole(w.tx, 'drawer', onDay, w.currency)
  if (m.direction === 'out' && asked.minor > there.minor) refuse({ code: 'drawer-short', there, asked })
  const signed = m.direction === 'in' ? asked : negateMoney(asked)
  const number = await takeNumber(w.tx, 'drawer-move', onDay)
  const id = await reserveId(w.tx, 'drawer_move')
  const entryId = await w.post(
    postDrawerMove({
      on: onDay,
      text: `Cash ${m.direction} ${number}: ${m.reason}`,
      amount: signed,
      accountId: account.id,
    }),
    { kind: 'drawer-move', id },
  )
  await insertDrawerMove(
    w.tx,
    { number, onDay, amount: signed.minor, reason: m.reason, accountId: account.id, entryId },
    id,
  )
  return { id, answer: async () => ({ id, number, on: onDay, amount: toDecimalString(signed), entryId }) }
})

/** The drawer is counted at the close of a day: what is over or short is posted, so that the books say what is there. */
export const countDrawer = defineCommand('count-drawer', countDrawerInput, async (w, c) => {
  const onDay = paperDay(w, c.on)
  const pieces = Object.entries(c.pieces ?? {}).filter(([, n]) => n > 0)
  const sum = sumPieces(
    pieces.map(([worth, n]) => [w.money(worth, `pieces.${worth}`), n]),
    w.currency,
  )
  const counted = c.counted === undefined ? sum : w.money(c.counted, 'counted')
  if (c.counted !== undefined && pieces.length > 0 && compareMoney(counted, sum) !== 0)
    refuseAt('counted', `The pieces come to ${formatMoney(sum)}.`)
  if (c.counted === undefined && c.pieces === undefined) refuseAt('counted', 'Count the pieces, or give the sum.')
  const expected = await sumRole(w.tx, 'drawer', onDay, w.currency)
  const over = subtractMoney(counted, expected)
  const number = await takeNumber(w.tx, 'drawer-count', onDay)
  const id = await reserveId(w.tx, 'drawer_count')
  const entry = postDrawerCount({ on: onDay, text: `Drawer counted ${number}`, over })
  const entryId = isZeroMoney(over) ? null : await w.post(entry, { kind: 'drawer-count', id })
  await insertDrawerCount(
    w.tx,
    { number, onDay, expected: expected.minor, counted: counted.minor, pieces: Object.fromEntries(pieces), entryId },
    id,
  )
  return {
    id,
    answer: async () => ({
      id,
      number,
      on: onDay,
      expected: toDecimalString(expected),
      counted: toDecimalString(counted),
      over: toDecimalString(over),
    }),
  }
})
