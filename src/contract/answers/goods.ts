import { GOODS_KINDS, TRACKS } from '@/core/kinds'
import { z } from 'zod'
import { dayText, decimalText, list } from './texts'
import { goods } from './things'

const place = z.object({ id: z.int(), code: z.string(), name: z.string(), usual: z.boolean() })

const taxArea = z.object({ id: z.int(), code: z.string(), name: z.string(), taxCode: z.string() })

/** How pieces are told apart; null where they are not. */
const pieces = { lot: z.string().nullable(), expires: dayText.nullable(), serial: z.string().nullable() }

/** Kits put together, or taken apart (below zero), and what they are worth. */
const assembly = z.object({
  id: z.int(),
  number: z.string(),
  on: dayText,
  goodsId: z.int(),
  placeId: z.int(),
  quantity: decimalText,
  value: decimalText,
})

/** Who waited for what came in, and can go now. */
const canGo = z.array(z.object({ saleId: z.int(), number: z.int(), customer: z.string() }))

/** What happened to a lot or serial, oldest first. */
const life = z.array(
  z.object({
    on: dayText,
    what: z.string(),
    paper: z.string(),
    quantity: decimalText,
    placeId: z.int(),
    saleId: z.int().nullable(),
    customerId: z.int().nullable(),
  }),
)

/** What the calls of “Goods” answer. */
export const goodsAnswers = {
  'POST /goods': goods,
  'GET /goods': list(
    goods.omit({ prices: true, suppliers: true, edition: true }).extend({
      /** The lot or serial that is what was searched for. */
      piece: z.object({ lot: z.string().nullable(), serial: z.string().nullable() }).nullable(),
    }),
  ),
  'GET /goods/{id}': goods,
  'PATCH /goods/{id}': goods,
  'DELETE /goods/{id}': z.object({}),
  'POST /goods/{id}/assemble': assembly,
  'POST /goods/{id}/take-apart': assembly,
  'POST /goods/import': z.object({
    rows: z.int(),
    added: z.int(),
    changed: z.int(),
    problems: z.array(z.object({ row: z.int(), code: z.string(), message: z.string() })),
    preview: z.array(
      z.object({
        row: z.int(),
        code: z.string(),
        name: z.string(),
        kind: z.enum(GOODS_KINDS),
        price: decimalText,
        isNew: z.boolean(),
      }),
    ),
    written: z.boolean(),
  }),
  'GET /prices': z.object({
    goodsId: z.int(),
    price: decimalText,
    from: z.string(),
    pricesIncludeTax: z.boolean(),
    taxCode: z.string(),
    ownTaxCode: z.string(),
    /** Null for work and charges: they lie on no shelf. */
    available: decimalText.nullable(),
    onTheWay: decimalText,
    unitCost: decimalText,
  }),
  'POST /price-levels': z.object({ id: z.int(), code: z.string(), name: z.string() }),
  'GET /price-levels': list(
    z.object({
      id: z.int(),
      code: z.string(),
      name: z.string(),
      percentOff: decimalText,
      pricesIncludeTax: z.boolean().nullable(),
    }),
  ),
  'PATCH /price-levels/{id}': z.object({ id: z.int(), code: z.string(), name: z.string() }),
  'POST /tax-areas': taxArea,
  'PATCH /tax-areas/{id}': taxArea,
  'GET /tax-areas': list(taxArea),
  'POST /files': z.object({ id: z.int(), name: z.string(), type: z.string(), size: z.int() }),
  'GET /files': list(z.object({ id: z.int(), name: z.string(), type: z.string(), size: z.int(), addedOn: dayText })),
  'DELETE /files/{id}': z.object({ id: z.int() }),
  'POST /stock-counts': z.object({
    id: z.int(),
    number: z.string(),
    on: dayText,
    placeId: z.int(),
    value: decimalText,
    canGo,
    lines: z.array(
      z.object({ goodsId: z.int(), placeId: z.int(), ...pieces, difference: decimalText, value: decimalText }),
    ),
  }),
  'POST /tax-codes': z.object({
    id: z.int(),
    code: z.string(),
    name: z.string(),
    reason: z.string(),
    components: z.array(z.object({ name: z.string(), rate: decimalText })),
  }),
  'PATCH /tax-codes/{id}': z.object({ id: z.int(), code: z.string(), name: z.string(), reason: z.string() }),
  'DELETE /tax-codes/{id}': z.object({}),
  'DELETE /price-levels/{id}': z.object({}),
  'DELETE /tax-areas/{id}': z.object({}),
  'DELETE /places/{id}': z.object({}),
  'POST /tax-codes/{id}/rates': z.object({
    id: z.int(),
    code: z.string(),
    from: dayText,
    components: z.array(z.object({ name: z.string(), rate: decimalText })),
  }),
  'GET /tax-codes': list(
    z.object({
      id: z.int(),
      code: z.string(),
      name: z.string(),
      treatment: z.string(),
      reason: z.string(),
      components: z.array(z.object({ id: z.int(), name: z.string(), rate: decimalText })),
      /** What we owe on what we buy, under reverse charge. */
      owed: z.array(z.object({ id: z.int(), name: z.string(), rate: decimalText })),
      rateId: z.int(),
      rates: z.array(
        z.object({
          id: z.int(),
          from: dayText.nullable(),
          components: z.array(z.object({ id: z.int(), name: z.string(), rate: decimalText })),
        }),
      ),
    }),
  ),
  'POST /places': place,
  'GET /places': list(place),
  'PATCH /places/{id}': place,
  'POST /stock-moves': z.object({
    id: z.int(),
    number: z.string(),
    on: dayText,
    from: z.int(),
    to: z.int(),
    lines: z.array(z.object({ goodsId: z.int(), ...pieces, quantity: decimalText })),
  }),
  'POST /stock-adjustments': z.object({
    id: z.int(),
    number: z.string(),
    on: dayText,
    reason: z.string(),
    value: decimalText,
    canGo,
    lines: z.array(
      z.object({ goodsId: z.int(), placeId: z.int(), ...pieces, change: decimalText, value: decimalText }),
    ),
  }),
  'GET /goods/{id}/stock': z.object({
    goodsId: z.int(),
    asOf: dayText,
    rows: z.array(
      z.object({
        placeId: z.int(),
        ...pieces,
        onHand: decimalText,
        unitCost: decimalText,
        value: decimalText,
      }),
    ),
    onHand: decimalText,
    setAside: decimalText,
    available: decimalText,
    onTheWay: decimalText,
    value: decimalText,
  }),
  'GET /stock-counts/lines': list(
    z.object({
      /** Which row it is, among all that can be counted. */
      key: z.string(),
      goodsId: z.int(),
      code: z.string(),
      barcode: z.string(),
      name: z.string(),
      track: z.enum(TRACKS),
      ...pieces,
      /** The row for lots or serials that are not there yet. */
      isNew: z.boolean(),
      onHand: decimalText,
      unitCost: decimalText,
    }),
  ),
  'GET /sales/{id}/picking': z.object({
    saleId: z.int(),
    lines: z.array(
      z.object({
        lineId: z.int(),
        goodsId: z.int(),
        quantity: decimalText,
        short: decimalText,
        from: z.array(
          z.object({
            placeId: z.int(),
            /** Its name; empty where there is one place. */
            place: z.string(),
            lot: z.string().nullable(),
            serials: z.array(z.string()),
            quantity: decimalText,
          }),
        ),
      }),
    ),
  }),
  'GET /serials/{serial}': z.object({
    goodsId: z.int(),
    serial: z.string().nullable(),
    cost: decimalText,
    placeId: z.int().nullable(),
    customerId: z.int().nullable(),
    /** The last day of the warranty, while somebody has it. */
    warrantyUntil: dayText.nullable(),
    life,
  }),
  'GET /lots/{lot}': z.object({
    goodsId: z.int(),
    lot: z.string().nullable(),
    expires: dayText.nullable(),
    onHand: decimalText,
    value: decimalText,
    here: z.array(z.object({ placeId: z.int(), onHand: decimalText, value: decimalText })),
    customers: z.array(z.object({ customerId: z.int(), quantity: decimalText })),
    life,
  }),
  'GET /goods/{id}/card': z.object({
    goodsId: z.int(),
    rows: z.array(
      z.object({
        on: dayText,
        what: z.string(),
        paper: z.string(),
        placeId: z.int(),
        lot: z.string().nullable(),
        serial: z.string().nullable(),
        quantity: decimalText,
        value: decimalText,
        running: decimalText,
        runningValue: decimalText,
      }),
    ),
  }),
}
