import { z } from 'zod'
import { smallerMoney, subtractMoney, sumMoney, toDecimalString } from '@/core/money'
import { fillNamed, fillOldest, type OpenDue } from '@/core/receipt'
import { postHeldUse } from '@/core/ledger'
import { insertFills, lockOpenDues } from '@/data/queries/money'
import { defineCommand, paperDay } from '../command'
import { id, on, positiveAmount } from '../input/fields'
import { customerFor } from '../people/customerFor'
import { refuse } from '../refuse'
import { refreshSale } from '../sales/refreshSale'
import { leaveHeld, noteLeft, sumHeldAt } from './heldWork'
import { asPostings } from './taxWork'

const input = z.object({
  customerId: id,
  /** Whose held money: a sale's, or (left out) what is on account. */
  saleId: id.optional(),
  on,
  for: z
    .union([
      z.literal('oldest'),
      z
        .array(z.object({ dueId: id, amount: positiveAmount }))
        .min(1)
        .max(200),
    ])
    .default('oldest'),
})

/** Puts money that is held for a customer on what they owe. Nothing comes in; the liability falls and so does the due. */
export const useHeld = defineCommand(
  'use-held',
  input,
  async (w, { customerId, saleId, on: given, for: wishes }) => {
    const customer = await customerFor(w, customerId)
    const onDay = paperDay(w, given)
    const place = { customerId, saleId: saleId ?? null }
    const dues = (await lockOpenDues(w.tx, customerId, w.currency)).filter((d) => d.issuedOn <= onDay)
    const open = dues.map((d): OpenDue => ({ id: d.id, saleId: d.saleId, dueOn: d.dueOn, open: d.open }))
    const sum = (amounts: readonly OpenDue['open'][]) => sumMoney(amounts, w.currency)
    const named =
      wishes === 'oldest'
        ? null
        : wishes.map((x, i) => ({ dueId: x.dueId, amount: w.money(x.amount, `for.${i}.amount`) }))
    const asked = named
      ? sum(named.map((n) => n.amount))
      : smallerMoney(await sumHeldAt(w, place), sum(open.map((d) => d.open)))
    const leaving = await leaveHeld(w, place, asked)
    const filled = named
      ? fillNamed(open, named, asked)
      : { ok: true as const, value: fillOldest({ dues: open, deposits: [] }, asked) }
    if (!filled.ok) return refuse(filled.error)
    const entryId = await w.post(
      postHeldUse({
        on: onDay,
        text: `Held money put on what is owed, ${customer.name}`,
        held: leaving.parts,
        taxAhead: await asPostings(w, leaving.tax),
      }),
      { kind: 'held-use', id: null, ...place },
    )
    await noteLeft(w, place, leaving, { onDay, why: 'use', entryId })
    await insertFills(
      w.tx,
      filled.value.dues.map((f) => ({
        dueId: f.dueId,
        onDay,
        amount: f.amount.minor,
        kind: 'held',
        entryId,
      })),
    )
    const touched = new Set([
      ...filled.value.dues.map((f) => dues.find((d) => d.id === f.dueId)!.saleId),
      ...(saleId === undefined ? [] : [saleId]),
    ])
    for (const touchedId of [...touched].sort((a, b) => a - b)) await refreshSale(w, touchedId)
    return {
      id: entryId,
      answer: async () => ({
        entryId,
        used: toDecimalString(asked),
        left: toDecimalString(subtractMoney(leaving.whole, asked)),
        filled: filled.value.dues.map((f) => ({ dueId: f.dueId, amount: toDecimalString(f.amount) })),
      }),
    }
  },
)
