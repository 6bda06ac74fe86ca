import type { Carrier } from '@/core/parcel'
import { randomInt } from 'node:crypto'
import { addDays } from '@/core/day'
import { decimal, type Decimal } from '@/core/money'
import { freight, type Shipped, type Tariff } from '@/core/parcel'

const NAME = 'Heron Parcel'

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
/** Words of an address by which the carrier behaves as real ones sometimes do. */
export const CARRIER_WORDS = { refused: 'no such street', slow: 'slow lane', lost: 'lost valley' } as const
const says = (address: string, word: keyof typeof CARRIER_WORDS): boolean =>
  address.toLowerCase().includes(CARRIER_WORDS[word])

const priceOf = ({ home, abroad }: Service, parcel: Shipped, isHome: boolean): Decimal =>
  freight(isHome ? home : abroad, parcel)

/** What each service takes for parcels to somewhere, the cheapest first. Each parcel for itself: its share is its price. */
const quote: Carrier['quote'] = (to, parcels, home) => {
  const isHome = !to.country || !home || to.country.toLowerCase() === home.toLowerCase()
  return Object.entries(SERVICES)
    .map(([service, s]) => {
      const prices = parcels.map((p) => priceOf(s, p, isHome))
      return {
        carrier: NAME,
        service,
        days: s.days,
        prices,
        price: prices.reduce((sum, p) => sum.plus(p), decimal(0)),
      }
    })
    .sort((a, b) => a.price.cmp(b.price))
}

/** A number of twelve digits whose last makes their sum a multiple of ten. */
const trackingNumber = (): string => {
  const digits = Array.from({ length: 11 }, () => randomInt(10))
  const sum = digits.reduce((a, b) => a + b, 0)
  return [...digits, (10 - (sum % 10)) % 10].join('')
}

/** Books parcels with the carrier: it may take its time, or not know the address. */
const book: Carrier['book'] = async (to, count) => {
  if (says(to.address, 'slow')) await new Promise((r) => setTimeout(r, 2000))
  if (says(to.address, 'refused')) return { ok: false, why: 'it does not know this address.' }
  return { ok: true, tracking: Array.from({ length: count }, trackingNumber) }
}

/** Where a parcel is by the evening of a day: delivered after the days of its service, or lost where its address says so. */
const track: Carrier['track'] = (parcel, today) => {
  const days = SERVICES[parcel.service]?.days ?? 3
  const on = addDays(parcel.sentOn, says(parcel.address, 'lost') ? days + 7 : days)
  return on > today ? { state: 'sent' } : { state: says(parcel.address, 'lost') ? 'lost' : 'delivered', on }
}

/** The one carrier that ships with the program. */
export const heronParcel: Carrier = { name: NAME, usualService: 'Standard', quote, book, track }
