import { homeCountry } from '@/core/formats'
import type { ParcelInput } from '@/contract/shipping'
import { refuse, refuseAt } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { decimal, roundToMoney, smaller, ZERO, type Decimal, type Money } from '@/core/money'
import { boxFor, sizeText, weightOf, type Shipped, type ToPack } from '@/core/parcel'
import { present } from '@/core/present'
import { findGoods } from '@/data/queries/goods'
import { insertParcel, updateParcel, type ParcelRow } from '@/data/queries/parcel'
import { listLineParts, listSaleLines, type SaleLineRow } from '@/data/queries/saleLine'
import { findSales } from '@/data/queries/sales'
import type { Db } from '@/data/connect'
import { findBusiness, type Business } from '@/data/queries/business'
import { findHandover } from '@/data/queries/handover'
import { readStories } from '@/model/sale/readStories'
import type { Till, Work } from '../command'
import type { Carrier } from '@/core/parcel'

/** A parcel that is to be sent: packed, and where it goes. */
export interface Packed extends Shipped {
  /** The one that was packed before, if it was. */
  readonly id?: number
  readonly address: string
  readonly lines: readonly { readonly lineId: number; readonly quantity: Decimal }[]
}

/** The same, taken by a carrier: what it costs and its number. */
export interface BookedParcel extends Packed {
  readonly carrier: string
  readonly service: string
  readonly price: Money | null
  readonly tracking: string
}

/** Where the carrier is asked from: outside the transaction, so that nobody waits for it but who asked. */
export interface Asking {
  readonly tx: Db
  readonly business: Business
  readonly currency: string
  readonly today: Day
}

export const askingOf = async ({ db, today }: Till): Promise<Asking> => {
  const business = (await findBusiness(db)) ?? refuse({ code: 'not-set-up' })
  return { tx: db, business, currency: business.currency, today }
}

/** The carrier that is asked, if there is one; `dry`, it is only asked for its prices. */
interface Asked {
  readonly carrier: Carrier | null
  readonly dry: boolean
}
const NOT_BOOKED = { ok: true, tracking: [] } as const

/** What goods weigh and measure, kits as their parts. */
const toPack = async (
  w: Asking,
  lines: readonly SaleLineRow[],
  packed: readonly { readonly lineId: number; readonly quantity: Decimal }[],
): Promise<readonly ToPack[]> => {
  const goods = await findGoods(
    w.tx,
    lines.flatMap((l) => l.goodsId ?? []),
  )
  const made = await listLineParts(
    w.tx,
    lines.map((l) => l.id),
  )
  const parts = await findGoods(
    w.tx,
    made.map((p) => p.goodsId),
  )
  return packed.flatMap(({ lineId, quantity }): ToPack[] => {
    const goodsId = lines.find((l) => l.id === lineId)?.goodsId
    const thing = goodsId ? goods.get(goodsId) : undefined
    if (!thing) return []
    return thing.kind === 'kit'
      ? made
          .filter((p) => p.lineId === lineId)
          .map((p) => {
            const part = present(parts.get(p.goodsId))
            return { quantity: quantity.times(p.quantity), weight: part.weight, size: part.size }
          })
      : [{ quantity, weight: thing.weight, size: thing.size }]
  })
}

/** Parcels as they are packed: what is not said of their box and weight is reckoned from what is in them. */
export const packParcels = async (
  w: Asking,
  saleId: number,
  parcels: readonly ParcelInput[],
): Promise<readonly Packed[]> => {
  const [[sale], lines] = await Promise.all([findSales(w.tx, [saleId], w.currency), listSaleLines(w.tx, [saleId])])
  const packed: Packed[] = []
  for (const [i, p] of parcels.entries()) {
    for (const [j, l] of p.lines.entries())
      if (!lines.some((x) => x.id === l.lineId))
        refuseAt(`parcels.${i}.lines.${j}.lineId`, 'This line is not on the sale.')
    const items = await toPack(w, lines, p.lines)
    const box = boxFor(items)
    const own = lines.find((l) => l.id === p.lines[0]?.lineId)?.deliverTo
    packed.push({
      lines: p.lines,
      size: p.size ?? sizeText(box.size),
      weight: p.weight ?? weightOf(items, box),
      address: p.address ?? (own || (sale?.deliverTo ?? '')),
    })
  }
  return packed
}

/** How many of each line are in parcels. */
export const inParcels = (
  parcels: readonly { readonly lines: readonly { readonly lineId: number; readonly quantity: Decimal }[] }[],
): ReadonlyMap<number, Decimal> => {
  const sums = new Map<number, Decimal>()
  for (const { lineId, quantity } of parcels.flatMap((p) => p.lines))
    sums.set(lineId, (sums.get(lineId) ?? ZERO).plus(quantity))
  return sums
}

/** No parcel holds more of a line than goes of it. */
const mustBeInLines = (parcels: readonly ParcelInput[], lines: NonNullable<Shipping['lines']>): void => {
  for (const [lineId, quantity] of inParcels(parcels)) {
    const goes = lines.filter((l) => l.lineId === lineId).reduce((sum, l) => sum.plus(l.quantity), ZERO)
    if (quantity.gt(goes))
      refuse({
        code: 'invalid',
        errors: [
          {
            path: 'parcels',
            message: `The parcels hold ${quantity.toString()} of line ${lineId}, and ${goes.toString()} go. Make them equal.`,
          },
        ],
      })
  }
}

interface Shipping {
  readonly parcels?: readonly ParcelInput[]
  readonly carrier?: string
  readonly service?: string
  /** What goes: in one parcel for each address, where no parcels are named. */
  readonly lines?: readonly { readonly lineId: number; readonly quantity: Decimal }[]
}

/** What of a sale is set aside, and goes where nothing else is said. */
const setAsideLines = async (w: Asking, saleId: number) => {
  const [story] = await readStories(w.tx, [saleId], w.business, w.today)
  return (story?.lines ?? []).flatMap((l) =>
    l.fromShelf ? [{ lineId: l.id, quantity: smaller(l.setAside, l.toHandOver) }] : [],
  )
}

/** The parcels of a handover, booked with their carrier; null where nothing is sent by one. Locks nothing. */
export const bookCarrier = async (
  w: Asking,
  saleId: number,
  shipping: Shipping,
  asked: Asked,
): Promise<readonly BookedParcel[] | null> => {
  const { parcels, carrier, service } = shipping
  if (!parcels && carrier === undefined && service === undefined) return null
  const [sale] = await findSales(w.tx, [saleId], w.currency)
  // What cannot be handed over at all is told by the handover itself; no label is made for it.
  if (!sale?.agreedOn || sale.closedAs) return null
  if (parcels && shipping.lines) mustBeInLines(parcels, shipping.lines)
  if (parcels) return book(w, await packParcels(w, saleId, parcels), { carrier, service }, asked)
  const lines = shipping.lines ?? (await setAsideLines(w, saleId))
  const counted = lines.filter((l) => l.quantity.gt(0))
  if (counted.length === 0) refuse({ code: 'nothing-to-hand-over' })
  return book(w, await packParcels(w, saleId, [{ lines: counted }]), { carrier, service }, asked)
}

/** Asks the carrier for parcels, each address for itself: what each costs, and its number. */
export const book = async (
  w: Asking,
  packed: readonly Packed[],
  { carrier, service }: { readonly carrier?: string; readonly service?: string },
  { carrier: asked, dry }: Asked,
): Promise<readonly BookedParcel[]> => {
  // A carrier we cannot ask: its label is made elsewhere.
  if (!asked || (carrier !== undefined && carrier.toLowerCase() !== asked.name.toLowerCase()))
    return packed.map((p) => ({ ...p, carrier: carrier ?? '', service: service ?? '', price: null, tracking: '' }))
  const wanted = service ?? asked.usualService
  const home = homeCountry(w.business.locale)
  const booked: BookedParcel[] = []
  for (const address of new Set(packed.map((p) => p.address))) {
    const mine = packed.filter((p) => p.address === address)
    const quotes = asked.quote({ address }, mine, home)
    const chosen = quotes.find((q) => q.service.toLowerCase() === wanted.toLowerCase())
    if (!chosen) return refuseAt('service', `${asked.name} has ${quotes.map((q) => q.service).join(', ')}.`)
    if (address.trim() === '')
      return refuse({ code: 'carrier-refused', carrier: asked.name, why: 'there is no address.' })
    const answer = dry ? NOT_BOOKED : await asked.book({ address }, mine.length)
    if (!answer.ok) return refuse({ code: 'carrier-refused', carrier: asked.name, why: answer.why })
    mine.forEach((p, i) =>
      booked.push({
        ...p,
        carrier: asked.name,
        service: chosen.service,
        price: roundToMoney(chosen.prices[i] ?? decimal(0), w.currency),
        tracking: answer.tracking[i] ?? '',
      }),
    )
  }
  return booked
}

/** No parcel holds more of a line than was handed over of it. */
export const mustHaveGone = async (w: Work, handoverId: number, parcels: readonly BookedParcel[]): Promise<void> => {
  const paper = present(await findHandover(w.tx, handoverId, w.currency))
  for (const [lineId, quantity] of inParcels(parcels)) {
    const line = paper.lines.find((l) => l.saleLineId === lineId)
    if (!line || quantity.gt(line.quantity)) refuse({ code: 'changed-meanwhile', what: 'What goes' })
  }
}

/** Writes that parcels went with a handover. */
export const shipParcels = async (
  w: Work,
  { handoverId, pickId, on }: { readonly handoverId: number; readonly pickId?: number; readonly on: Day },
  parcels: readonly BookedParcel[],
): Promise<void> => {
  for (const { id, lines, price, ...p } of parcels) {
    const sent = { ...p, price: price?.minor ?? null, handoverId, pickId, state: 'sent' as const, sentOn: on }
    if (id === undefined) await insertParcel(w.tx, sent, lines)
    else await updateParcel(w.tx, id, sent)
  }
}

/** A packed parcel of a pick, ready to be booked. */
export const asPacked = ({ id, weight, size, address, lines }: ParcelRow): Packed => ({
  id,
  weight,
  size,
  address,
  lines,
})
