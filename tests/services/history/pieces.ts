import { sql } from 'drizzle-orm'
import { listPicks } from '@/data/queries/pick'
import { heronParcel } from '@/standins/carrier/carrier'
import { correctPick, dropPick, packPick, sendPick } from '@/services/parcels/picks'
import { startPick } from '@/services/parcels/startPicks'
import { replacePart } from '@/services/sales/replacePart'
import { strikeOff } from '@/services/sales/strikeOff'
import { setAsideByHand } from '@/services/sales/setAside'
import { handOver } from '@/services/sales/handOver'
import { addGoods } from '@/services/goods/keepGoods'
import { assembleKits, takeKitsApart } from '@/services/goods/assemble'
import { adjustStock } from '@/services/goods/adjustStock'
import { countStock } from '@/services/goods/countStock'
import { moveStock } from '@/services/goods/moveStock'
import type { TestShop } from '../shop'
import type { About } from './moves'
import type { History } from './history'
import type { Step } from './steps'

/** Goods whose pieces are told apart, in every way there is. */
export const addToldGoods = async (s: TestShop) => ({
  /** By lot, first in first out. */
  strings: await s.run(addGoods, {
    code: 'ST',
    name: 'Strings',
    kind: 'stock',
    price: '19.90',
    track: 'lot',
    costing: 'fifo',
  }),
  /** By lot, at average cost. */
  glue: await s.run(addGoods, { code: 'GL', name: 'Hide glue', kind: 'stock', price: '8.00', track: 'lot' }),
  /** First in first out, not told apart otherwise. */
  bow: await s.run(addGoods, { code: 'BW', name: 'Bow', kind: 'stock', price: '90.00', costing: 'fifo' }),
  /** Each by its serial. */
  viola: await s.run(addGoods, { code: 'VA', name: 'Viola', kind: 'stock', price: '1500.00', track: 'serial' }),
})

/** A kit whose parts may go in several goes. */
export const addOutfit = (s: TestShop, { strings, bow }: Awaited<ReturnType<typeof addToldGoods>>) =>
  s.run(addGoods, {
    code: 'OUT',
    name: 'Outfit',
    kind: 'kit',
    price: '1100.00',
    parts: [
      { goodsId: s.violin, quantity: '1' },
      { goodsId: bow, quantity: '1' },
      { goodsId: strings, quantity: '2' },
    ],
  })

/** A kit that can lie assembled. */
export const addDuo = (s: TestShop) =>
  s.run(addGoods, {
    code: 'DUO',
    name: 'Violin and rosin',
    kind: 'kit',
    price: '1020.00',
    parts: [
      { goodsId: s.violin, quantity: '1' },
      { goodsId: s.rosin, quantity: '2' },
    ],
  })
export type ToldGoods = Awaited<ReturnType<typeof addToldGoods>> & {
  readonly outfit: number
  readonly duo: number
  readonly supplier: number
}

const EXPIRES = [undefined, '2026-06-30', '2027-03-31']
/** Lots of which each always says the same of when it expires, and a few serials that come, go and come again. */
const lotOf = (x: Step) => ({ code: `L${x.pick % 3}`, expires: EXPIRES[x.pick % 3] })
const serialsOf = (x: Step) => [...new Set([`V${x.pick % 7}`, `V${x.cents % 7}`])]

/** Pieces come in or go, are counted, and are carried: by lot, by layer and by serial. */
export const PIECES = {
  pieces: async (h: History, x: Step, { amount, on }: About) => {
    const { strings, glue, bow, viola } = h.told
    const serials = serialsOf(x)
    const sign = x.flag ? '' : '-'
    const placeId = x.n > 4 ? await h.idOf('place', x.pick) : undefined
    const line = [
      { goodsId: strings, lot: lotOf(x), change: `${sign}${x.n}` },
      { goodsId: glue, lot: lotOf(x), change: `${sign}${x.n}.25` },
      { goodsId: bow, change: `${sign}${x.n}` },
      { goodsId: viola, serials, change: `${sign}${serials.length}` },
    ][x.pick % 4]!
    return h.attempt(adjustStock, {
      on,
      reason: 'x',
      lines: [{ ...line, placeId, unitCost: x.n > 2 ? amount : undefined }],
    })
  },
  'count-pieces': async (h: History, x: Step, { amount, on }: About) => {
    const { strings, glue, bow, viola } = h.told
    return h.attempt(countStock, {
      on,
      placeId: x.flag ? undefined : await h.idOf('place', x.pick),
      lines: [
        { goodsId: strings, counted: String(x.n + 2), unitCost: amount, lot: lotOf(x) },
        { goodsId: glue, counted: `${x.n}.5`, lot: lotOf(x) },
        { goodsId: bow, counted: String(x.n), unitCost: amount },
        ...(x.pick % 2 ? [{ goodsId: viola, counted: x.flag ? '1' : '0', serials: serialsOf(x).slice(0, 1) }] : []),
      ],
    })
  },
  /** Some parts of a kit go ahead of the rest. */
  parts: async (h: History, x: Step, { saleId, on }: About) => {
    const { strings, bow, outfit } = h.told
    const [line] = await h.shop.db.execute<{ id: number }>(
      sql`select id from sale_line where goods_id = ${outfit} and sale_id >= ${saleId} order by id limit 1`,
    )
    const [sale] = await h.shop.db.execute<{ id: number }>(
      sql`select sale_id as id from sale_line where id = ${line?.id ?? 0}`,
    )
    const parts = [
      { goodsId: h.shop.violin, quantity: '1' },
      { goodsId: bow, quantity: x.n > 5 ? '2' : '1' },
      { goodsId: strings, quantity: String(x.n % 3 || 1) },
    ].filter((_, i) => (x.pick + x.n) % 3 !== i)
    return h.attempt(handOver, { saleId: sale?.id ?? 0, on, lines: [{ lineId: line?.id ?? 0, parts }] })
  },
  'carry-pieces': async (h: History, x: Step, { on }: About) => {
    const { strings, glue, bow, viola } = h.told
    const line = [
      { goodsId: strings, quantity: String(x.n), lot: x.flag ? lotOf(x).code : undefined },
      { goodsId: glue, quantity: `${x.n}.25` },
      { goodsId: bow, quantity: String(x.n) },
      { goodsId: viola, quantity: '1', serials: x.flag ? [`V${x.cents % 7}`] : undefined },
    ][x.pick % 4]!
    return h.attempt(moveStock, {
      on,
      from: await h.idOf('place', x.n),
      to: await h.idOf('place', x.n + 1),
      lines: [line],
    })
  },
  /** Kits are put together ahead, or taken apart. */
  assemble: async (h: History, x: Step, { on }: About) =>
    h.attempt(x.flag ? assembleKits : takeKitsApart, {
      goodsId: h.told.duo,
      on,
      quantity: String(1 + (x.n % 2)),
      placeId: await h.idOf('place', x.pick),
    }),
  /** Another part stands in for one of a kit, or what is not coming comes off. */
  'strike-off': async (h: History, x: Step, { saleId, on }: About) => {
    const [line] = await h.shop.db.execute<{ id: number; sale: number; part: number }>(
      sql`select l.id, l.sale_id as sale, p.goods_id as part from sale_line l join sale_line_part p on p.line_id = l.id
           order by l.id desc, p.goods_id limit 1 offset ${x.pick % 5}`,
    )
    if (x.flag && line)
      return h.attempt(replacePart, {
        saleId: line.sale,
        lineId: line.id,
        part: line.part,
        by: x.n > 4 ? h.told.bow : h.shop.rosin,
        quantity: x.n % 2 ? '2' : undefined,
      })
    return h.attempt(strikeOff, { saleId, on, reason: 'x' })
  },
  aside: async (h: History, x: Step, { saleId }: About) =>
    h.attempt(setAsideByHand, { saleId, turn: (['first', 'in turn', 'last'] as const)[x.n % 3]! }),
  /** A pick list is begun, said to be picked short, packed, sent or thrown away. */
  pick: async (h: History, x: Step, { saleId, on }: About) => {
    await h.attempt(startPick, { saleId, on })
    const [pick] = await listPicks(h.shop.db, { open: x.n > 2 })
    if (!pick) return
    const line = pick.lines[x.pick % pick.lines.length]!
    const short = line.from.slice(0, 1).map((f) => ({ ...f, serials: [...f.serials] }))
    if (x.flag)
      await h.attempt(correctPick, {
        pickId: pick.id,
        lines: [{ lineId: line.lineId, goodsId: line.goodsId, from: x.n === 3 ? [] : short }],
      })
    if (x.n === 4)
      await h.attempt(packPick, { pickId: pick.id, parcels: [{ lines: [{ lineId: line.lineId, quantity: '1' }] }] })
    return x.n === 7
      ? h.attempt(dropPick, { pickId: pick.id })
      : h.attempt(sendPick(heronParcel), {
          pickId: pick.id,
          on,
          service: x.n === 5 ? 'Express' : undefined,
          freight: x.n === 5 ? '9.90' : undefined,
          strikeOff: x.n === 6 ? 'x' : undefined,
        })
  },
}
