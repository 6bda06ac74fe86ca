import { previewChoiceInput, acceptOfferInput, refuseOfferInput } from '@/contract/inputs/customerPage/answerOffer'
import { present } from '@/core/present'
import { toDecimalString, type Decimal } from '@/core/money'
import { updateSale } from '@/data/queries/sales'
import { defineCommand, type Work } from '../command'
import { closeIn } from '../sales/closeSale'
import { writeAgreement } from '../sales/agreeSale'
import { refreshSale } from '../sales/refreshSale'
import { takeSale, type LockedSale } from '../sales/saleWork'
import { withShares } from '../sales/shareDiscount'
import { refuse } from '@/contract/refuse'
import { mustOpenPage } from './openPage'
import { listVersions } from '@/data/queries/saleVersion'
import { totalsOf } from '@/model/sale/worth'

/** The sale a page is about, taken for this transaction, if its estimate waits for an answer. */
const takeOffered = async (w: Work, token: string, version?: number): Promise<LockedSale> => {
  const page = await mustOpenPage(w, token)
  if (page.saleId === null) return refuse({ code: 'not-offered' })
  const locked = await takeSale(w, page.saleId)
  const { sale } = locked
  if (sale.agreedOn || sale.closedAs || !sale.sentOn) refuse({ code: 'not-offered' })
  if (sale.reworked) refuse({ code: 'offer-reworked' })
  if (sale.validUntil && sale.validUntil < w.today) refuse({ code: 'offer-lapsed', on: sale.validUntil })
  if (version !== undefined && (await listVersions(w.tx, sale.id)).at(-1)?.n !== version)
    refuse({ code: 'newer-offer' })
  return locked
}

/** What counts when they choose so: what is not left to them, what they took of the options, one of each set. */
const chooseLines = (
  locked: LockedSale,
  take: readonly number[],
): { lineId: number; counts: boolean; quantity: Decimal }[] => {
  const sets = new Map<string, number>()
  return locked.lines.map((l) => {
    const counts = l.choice === 'none' || take.includes(l.id)
    if (l.choice === 'alternative' && counts) {
      if (sets.has(l.choiceGroup)) refuse({ code: 'two-of-one-choice', group: l.choiceGroup })
      sets.set(l.choiceGroup, l.id)
    }
    return { lineId: l.id, counts, quantity: l.quantity }
  })
}

/** What an estimate comes to with the lines a customer ticks, before they answer. Nothing is saved. */
export const previewChoice = defineCommand('preview-choice', previewChoiceInput, async (w, { token, chosen: take }) => {
  const locked = await takeOffered(w, token)
  const counts = new Map(chooseLines(locked, take).map((c) => [c.lineId, c.counts]))
  const chosenLines = locked.lines.map((l) => ({ ...l, chosen: present(counts.get(l.id)) }))
  const lines = withShares(locked.sale, chosenLines, w.currency)
  const totals = totalsOf(locked.sale, lines, await w.taxCodes())
  return {
    id: locked.sale.id,
    answer: async () => ({
      net: toDecimalString(totals.net),
      tax: toDecimalString(totals.tax),
      gross: toDecimalString(totals.gross),
    }),
  }
})

/** The customer says yes on their own page, to what they chose. The estimate is an order from then on. */
export const acceptOffer = defineCommand('accept-offer', acceptOfferInput, async (w, answer) => {
  const locked = await takeOffered(w, answer.token, answer.version)
  const lines = chooseLines(locked, answer.chosen)
    .filter((c) => c.counts && c.quantity.gt(0))
    .map(({ lineId, quantity }) => ({ lineId, quantity }))
  if (lines.length === 0) refuse({ code: 'nothing-on-sale' })
  await writeAgreement(w, locked, {
    on: w.today,
    by: answer.name,
    how: `on their page${answer.note ? `: ${answer.note}` : ''}`,
    purchaseOrder: answer.purchaseOrder,
    lines,
  })
  return { id: locked.sale.id, answer: async () => ({ agreed: true }) }
})

/** The customer says no on their own page. */
export const refuseOffer = defineCommand('refuse-offer', refuseOfferInput, async (w, answer) => {
  const locked = await takeOffered(w, answer.token, answer.version)
  await updateSale(w.tx, locked.sale.id, { yesBy: answer.name, yesHow: 'on their page' })
  await closeIn(w, locked, 'declined', { on: w.today, reason: answer.reason || 'said no on their page' })
  await refreshSale(w, locked.sale.id)
  return { id: locked.sale.id, answer: async () => ({ agreed: false }) }
})
