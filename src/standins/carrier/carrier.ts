import { randomInt } from 'node:crypto'
import { addDays, type Day } from '@/core/day'
import { decimal, type Decimal } from '@/core/money'
import { freight, type Shipped, type Tariff } from '@/core/parcel'

/** Where a parcel goes. */
export interface Destination {
  readonly address: string
  /** Two letters; the business's own country where it is left out. */
  readonly country?: string
}

/** What a carrier offers for parcels together. */
export interface Quote {
  readonly carrier: string
  readonly service: string
  readonly price: Decimal
  readonly days: number
}

/** The one carrier that ships with the program. */
export const CARRIER = 'Heron Parcel'

interface Service {
  readonly days: number
  readonly home: Tariff
  readonly abroad: Tariff
}
const tariff = (base: string, perKilogram: string): Tariff => ({
  base: decimal(base),
  perKilogram: decimal(perKilogram),
})
const SERVICES: Readonly<Record<string, Service>> = {
  Economy: { days: 5, home: tariff('4.90', '0.85'), abroad: tariff('12.90', '2.40') },
  Standard: { days: 3, home: tariff('6.90', '1.15'), abroad: tariff('17.50', '3.20') },
  Express: { days: 1, home: tariff('14.90', '1.90'), abroad: tariff('39.00', '5.60') },
}
/** The service of a parcel for which none is said. */
export const USUAL_SERVICE = 'Standard'

/** Words of an address by which the carrier behaves as real ones sometimes do. */
export const CARRIER_WORDS = { refused: 'no such street', slow: 'slow lane', lost: 'lost valley' } as const
const says = (address: string, word: keyof typeof CARRIER_WORDS): boolean =>
  address.toLowerCase().includes(CARRIER_WORDS[word])

const priceOf = ({ home, abroad }: Service, parcel: Shipped, isHome: boolean): Decimal =>
  freight(isHome ? home : abroad, parcel)

/** What each service takes for parcels to somewhere, the cheapest first. Each parcel for itself: its share is its price. */
export const quote = (
  to: Destination,
  parcels: readonly Shipped[],
  home: string,
): readonly (Quote & { readonly prices: readonly Decimal[] })[] => {
  const isHome = !to.country || !home || to.country.toLowerCase() === home.toLowerCase()
  return Object.entries(SERVICES)
    .map(([service, s]) => {
      const prices = parcels.map((p) => priceOf(s, p, isHome))
      return {
        carrier: CARRIER,
        service,
        days: s.days,
        prices,
        price: prices.reduce((sum, p) => sum.plus(p), decimal(0)),
      }
    })
    .sort((a, b) => a.price.comparedTo(b.price))
}

/** A number of twelve digits whose last makes their sum a multiple of ten. */
const trackingNumber = (): string => {
  const digits = Array.from({ length: 11 }, () => randomInt(10))
  const sum = digits.reduce((a, b) => a + b, 0)
  return [...digits, (10 - (sum % 10)) % 10].join('')
}

export type Booked =
  | { readonly ok: true; readonly tracking: readonly string[] }
  /** Why not, in words for the owner. */
  | { readonly ok: false; readonly why: string }

/** Books parcels with the carrier: it may take its time, or not know the address. */
export const bookParcels = async (to: Destination, count: number): Promise<Booked> => {
  if (says(to.address, 'slow')) await new Promise((r) => setTimeout(r, 2000))
  if (to.address.trim() === '') return { ok: false, why: 'there is no address.' }
  if (says(to.address, 'refused')) return { ok: false, why: 'it does not know this address.' }
  return { ok: true, tracking: Array.from({ length: count }, trackingNumber) }
}

export type WhereItIs = { readonly state: 'sent' } | { readonly state: 'delivered' | 'lost'; readonly on: Day }

/** Where a parcel is by the evening of a day: delivered after the days of its service, or lost where its address says so. */
export const trackParcel = (
  parcel: { readonly service: string; readonly address: string; readonly sentOn: Day },
  today: Day,
): WhereItIs => {
  const days = SERVICES[parcel.service]?.days ?? 3
  const on = addDays(parcel.sentOn, says(parcel.address, 'lost') ? days + 7 : days)
  return on > today ? { state: 'sent' } : { state: says(parcel.address, 'lost') ? 'lost' : 'delivered', on }
}
