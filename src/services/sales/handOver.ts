import { handOverInput } from '@/contract/inputs/sales/handOver'
import { present } from '@/core/present'
import { decimal, formatPrice, isPositiveMoney, smaller, toDecimal } from '@/core/money'
import type { Day } from '@/core/day'
import { insertInvoice } from '@/data/queries/invoices'
import { defineCommand, paperDay, type Work } from '../command'
import { planBill } from '../billing/billSale'
import { draftBill } from '../billing/draftBill'
import { issueBill } from '../billing/issueBill'
import { readArrangement, type Arrangement } from '@/contract/arrangement'
import { layawayLeft } from '../plans/layawayLeft'
import { refuse } from '@/contract/refuse'
import type { Carrier } from '@/core/parcel'
import { askingOf, bookCarrier, inParcels, mustHaveGone, shipParcels } from '../parcels/ship'
import { mergeLines, type HandedLine, type Handing } from './handingOf'
import { trimPick } from '../parcels/trimPick'
import { addCharges } from './addCharges'
import { arrangeIn } from './arrangeSale'
import { refreshSale } from './refreshSale'
import { mustBeAgreed, takeSale, type LockedSale } from './saleWork'
import { handoverView } from '@/model/sale/handoverView'
import { readStories } from '@/model/sale/readStories'
import { writeHandover } from './writeHandover'

/** All that can be handed over now: what is set aside of stock goods, and the rest as it is agreed. */
const everythingPossible = async (w: Work, locked: LockedSale): Promise<Handing[]> => {
  const story = present((await readStories(w.tx, [locked.sale.id], w.business, w.today))[0])
  const possible = story.lines
    .map((l) => ({ line: l, quantity: l.fromShelf ? smaller(l.setAside, l.toHandOver) : l.toHandOver }))
    .filter((h) => h.quantity.gt(0))
  return possible.length > 0 ? possible : refuse({ code: 'nothing-to-hand-over' })
}

/** Bills at the handover what went: a layaway's own moment. */
const billWhatWent = async (w: Work, saleId: number, onDay: Day): Promise<void> => {
  const locked = await takeSale(w, saleId)
  const parts = planBill(locked, 'handed-over')
  const invoiceId = await insertInvoice(w.tx, await draftBill(w, locked, parts, { kind: 'invoice', on: onDay }))
  await issueBill(w, locked, invoiceId, onDay)
}

/** Goods that go: which lines, how, and what becomes of the rest of a layaway. */
interface Giving {
  readonly on: Day
  readonly by: 'counter' | 'parcel' | 'delivery'
  readonly lines?: readonly HandedLine[]
  readonly turnInto?: Arrangement
  /** What the customer is charged for sending it. */
  readonly freight?: string
}

/** Gives goods of a sale to its customer; the handover's id. */
export const giveGoods = async (
  w: Work,
  saleId: number,
  { on, by, lines, turnInto, freight = '0' }: Giving,
): Promise<number> => {
  let locked = await takeSale(w, saleId)
  mustBeAgreed(locked)
  const layaway = readArrangement(locked.sale.arrangement).kind === 'layaway'
  if (layaway && turnInto) {
    await arrangeIn(w, locked, turnInto)
    locked = await takeSale(w, saleId)
  }
  if (readArrangement(locked.sale.arrangement).kind === 'layaway') {
    const left = await layawayLeft(w, saleId)
    if (isPositiveMoney(left)) refuse({ code: 'layaway-not-paid-up', left })
  }
  const wished = [...(lines ? mergeLines(locked, lines) : await everythingPossible(w, locked))]
  const charged = w.money(freight, 'freight')
  if (isPositiveMoney(charged)) {
    const [lineId] = await addCharges(
      w,
      locked,
      [{ description: 'Freight', quantity: decimal(1), unitPrice: toDecimal(charged) }],
      { on, reason: `freight of ${formatPrice(toDecimal(charged), w.currency)} added` },
    )
    locked = await takeSale(w, saleId)
    wished.push({ line: present(locked.lines.find((l) => l.id === lineId)), quantity: decimal(1) })
  }
  const id = await writeHandover(w, locked, wished, { on, by })
  if (layaway) await billWhatWent(w, saleId, on)
  await refreshSale(w, saleId)
  return id
}

/** Goods go to the customer: across the counter, as parcels, or delivered. In part or several times. */
export const handOverBy = (asked: Carrier | null) =>
  defineCommand(
    'hand-over',
    handOverInput,
    async (w, { saleId, on, parcels, carrier: _carrier, service: _service, ...how }, booked: Booked | undefined) => {
      const onDay = paperDay(w, on)
      // Parcels without lines: what is in them goes.
      const inThem =
        parcels && [...inParcels(parcels)].map(([lineId, quantity]) => ({ lineId, quantity, from: [{ quantity }] }))
      const id = await giveGoods(w, saleId, {
        ...how,
        lines: how.lines ?? inThem,
        on: onDay,
        by: booked ? 'parcel' : how.by,
      })
      await trimPick(w, saleId)
      if (booked) {
        await mustHaveGone(w, id, booked)
        await shipParcels(w, { handoverId: id, on: onDay }, booked)
      }
      return { id, answer: () => handoverView(w.tx, id, w.currency) }
    },
    {
      ask: async (till, { saleId, parcels, carrier, service, lines }, dry): Promise<Booked> =>
        bookCarrier(await askingOf(till), saleId, { parcels, carrier, service, lines }, { carrier: asked, dry }),
    },
  )
type Booked = Awaited<ReturnType<typeof bookCarrier>>

/** The same where no carrier can be asked: what it is sent with is written down as it is said. */
export const handOver = handOverBy(null)
