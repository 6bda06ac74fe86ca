import { useHeldInput } from '@/contract/inputs/money/useHeld'
import { present } from '@/core/present'
import {
  addMoney,
  isPositiveMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  toDecimalString,
  type Money,
} from '@/core/money'
import { fillNamed, fillOldest, type Filling } from '@/core/receipt'
import { postHeldUse, type HeldAmount } from '@/core/ledger'
import type { Day } from '@/core/day'
import { defineCommand, paperDay, type Work } from '../command'
import { customerFor } from '../people/customerFor'
import { refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { discountsOf, noteDiscounts, type DueDiscount, discountPosted } from './discountWork'
import { duesOn } from './duesOn'
import { heldOn, type HeldPlace } from './heldOn'
import { leaveHeld, noteLeft } from './heldWork'
import { asPostings } from './taxWork'
import { lockOpenDues, type DueRow } from '@/data/queries/due'
import { insertFills } from '@/data/queries/fill'
import { offered } from '@/model/receipt/offered'

interface Use {
  readonly place: HeldPlace
  readonly on: Day
  readonly dues: readonly DueRow[]
  readonly filled: Filling['dues']
  readonly text: string
  readonly source: { readonly kind: 'held-use' | 'invoice'; readonly id: number | null }
  /** The bill of the sale itself that it is put on. */
  readonly bill?: { readonly id: number; readonly gross: Money }
}

/** Puts held money on dues, with the discount that it earns as money would. Answers the entry. */
export const putHeldOn = async (w: Work, use: Use): Promise<number> => {
  const { place, on: onDay } = use
  const amount = sumMoney(
    use.filled.map((f) => f.amount),
    w.currency,
  )
  const leaving = await leaveHeld(w, place, amount, onDay, use.bill?.gross)
  const discounts: readonly DueDiscount[] = await discountsOf(w, use.dues, use.filled)
  const held: readonly HeldAmount[] = leaving.parts
  const entryId = await w.post(
    postHeldUse({
      on: onDay,
      text: use.text,
      held,
      taxAhead: await asPostings(w, leaving.tax),
      discount: await discountPosted(w, discounts),
    }),
    { ...use.source, ...place },
  )
  const why = use.bill ? ('invoice' as const) : ('use' as const)
  await noteLeft(w, place, leaving, { onDay, why, invoiceId: use.bill?.id, entryId })
  await insertFills(
    w.tx,
    use.filled.flatMap((f) => [
      { dueId: f.dueId, onDay, amount: f.amount.minor, kind: 'held' as const, entryId },
      ...(f.discount ? [{ dueId: f.dueId, onDay, amount: f.discount.minor, kind: 'discount' as const, entryId }] : []),
    ]),
  )
  await noteDiscounts(w, discounts, { onDay, entryId })
  return entryId
}

/** Puts money that is held for a customer on what they owe. Nothing comes in; the liability falls and so does the due. */
export const useHeld = defineCommand(
  'use-held',
  useHeldInput,
  async (w, { customerId, saleId, on: given, for: wishes }) => {
    const customer = await customerFor(w, customerId)
    const onDay = paperDay(w, given)
    const place = { customerId, saleId: saleId ?? null }
    const { dues, refuseEarly } = await duesOn(w, await lockOpenDues(w.tx, customerId, w.currency), onDay)
    const open = offered(dues, onDay)
    const held = await heldOn(w, place, onDay)
    const named =
      wishes === 'oldest'
        ? null
        : wishes.map((x, i) => ({ dueId: x.dueId, amount: w.money(x.amount, `for.${i}.amount`) }))
    for (const n of named ?? []) refuseEarly(n.dueId, n.amount)
    const most = sumMoney(
      open.map((d) => d.open),
      w.currency,
    )
    const asked = named
      ? sumMoney(
          named.map((n) => n.amount),
          w.currency,
        )
      : smallerMoney(held.free, most)
    const filled = named
      ? fillNamed(open, named, asked)
      : { ok: true as const, value: fillOldest({ dues: open, deposits: [] }, asked) }
    if (!filled.ok) return refuse(filled.error)
    const used = filled.value.dues.reduce((sum, f) => addMoney(sum, f.amount), subtractMoney(asked, asked))
    if (!named && !isPositiveMoney(used))
      return refuse(
        isPositiveMoney(most) ? { code: 'more-than-held', held: held.now, asked: most } : { code: 'nothing-open' },
      )
    const entryId = await putHeldOn(w, {
      place,
      on: onDay,
      dues,
      filled: filled.value.dues,
      text: `Held money put on what is owed, ${customer.name}`,
      source: { kind: 'held-use', id: null },
    })
    const touched = new Set([
      ...filled.value.dues.map((f) => present(dues.find((d) => d.id === f.dueId)).saleId),
      ...(saleId === undefined ? [] : [saleId]),
    ])
    for (const touchedId of [...touched].sort((a, b) => a - b)) await refreshSale(w, touchedId)
    return {
      id: entryId,
      answer: async () => ({
        entryId,
        used: toDecimalString(used),
        left: toDecimalString(subtractMoney(held.now, used)),
        discount: toDecimalString(
          sumMoney(
            filled.value.dues.flatMap((f) => (f.discount ? [f.discount] : [])),
            w.currency,
          ),
        ),
        filled: filled.value.dues.map((f) => ({ dueId: f.dueId, amount: toDecimalString(f.amount) })),
      }),
    }
  },
)
