import { homeCountry } from '@/core/formats'
import { quoteCarrierInput } from '@/contract/inputs/parcels/picks'
import { roundToMoney, toDecimalString } from '@/core/money'
import { listOnTheirWay, updateParcel } from '@/data/queries/parcel'
import type { Carrier } from '@/core/parcel'
import { z } from 'zod'
import { defineCommand } from '../command'

/** What the carrier takes for parcels to an address, service by service; the cheapest first. Nothing is booked. */
export const quoteCarrier = (carrier: Carrier) =>
  defineCommand('quote-carrier', quoteCarrierInput, async (w, { to, parcels }) => {
    const home = homeCountry(w.business.locale)
    const quotes = carrier.quote(
      to,
      parcels.map((p) => ({ weight: p.weight, size: p.size ?? '' })),
      home,
    )
    return {
      id: 1,
      answer: async () =>
        quotes.map((q) => ({
          carrier: q.carrier,
          service: q.service,
          price: toDecimalString(roundToMoney(q.price, w.currency)),
          days: q.days,
        })),
    }
  })

/** Asks the carrier where its parcels are: what arrived and what was lost is written down. */
export const trackParcels = (carrier: Carrier) =>
  defineCommand('track-parcels', z.object({}), async (w) => {
    let changed = 0
    for (const p of await listOnTheirWay(w.tx, carrier.name)) {
      if (p.sentOn === null) continue
      const where = carrier.track({ service: p.service, address: p.address, sentOn: p.sentOn }, w.today)
      if (where.state === 'sent') continue
      await updateParcel(w.tx, p.id, { state: where.state, arrivedOn: where.state === 'delivered' ? where.on : null })
      changed++
    }
    return { id: 1, answer: async () => ({ changed }) }
  })
