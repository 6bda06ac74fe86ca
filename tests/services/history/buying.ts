import { sql } from 'drizzle-orm'
import { creditBill } from '@/services/buying/creditBill'
import { enterBill } from '@/services/buying/enterBill'
import { orderForSale } from '@/services/buying/orderForSale'
import { orderProposed } from '@/services/buying/orderProposed'
import { changeOrder, closeOrder, orderGoods, sendOrder } from '@/services/buying/orderGoods'
import { landCost } from '@/services/buying/landCost'
import { payRun } from '@/services/buying/payRun'
import { paySupplier, voidSupplierPayment } from '@/services/buying/paySupplier'
import { runBillRepeat, startBillRepeat, stopBillRepeat } from '@/services/buying/repeatBill'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { returnToSupplier, undoReceipt } from '@/services/buying/sendBack'
import { setOff, voidSetOff } from '@/services/buying/setOff'
import { takeSupplierRefund, voidSupplierRefund } from '@/services/buying/supplierRefund'
import { voidLandedCost } from '@/services/buying/voidLandedCost'
import { voidCredit } from '@/services/buying/voidCredit'
import { voidBill } from '@/services/buying/voidBill'
import { addSupplier } from '@/services/buying/keepSupplier'
import { changeGoods } from '@/services/goods/keepGoods'
import type { TestShop } from '../shop'
import type { About } from './moves'
import type { History } from './history'
import type { Step } from './steps'

/** Somebody who sells us violins and rosin, and lets two percent off for paying within ten days. */
export const addMaker = async (s: TestShop): Promise<number> => {
  const supplierId = await s.run(addSupplier, {
    name: 'A maker',
    bank: { iban: 'GB82WEST12345698765432' },
    terms: { net: 30, discountPercent: '2', discountDays: 10 },
    customerId: s.customer,
  })
  for (const goodsId of [s.violin, s.rosin]) await s.run(changeGoods, { goodsId, suppliers: [{ supplierId }] })
  return supplierId
}

/** An order to a supplier that is still open, and a line of it. */
const anOrder = async (h: History, pick: number) => {
  const rows = await h.shop.db.execute<{ id: number; line: number; goods: number; track: string }>(sql`
    select o.id, l.id as line, l.goods_id as goods, g.track from purchase_order o
      join purchase_order_line l on l.order_id = o.id join goods g on g.id = l.goods_id order by l.id desc limit 8`)
  return rows[pick % Math.max(rows.length, 1)]
}

/** A line that came and is not invoiced yet. */
const aReceivedLine = async (h: History, pick: number): Promise<number> => {
  const rows = await h.shop.db.execute<{ id: number }>(
    sql`select id from goods_received_line where billed < quantity order by id desc limit 6`,
  )
  return rows[pick % Math.max(rows.length, 1)]?.id ?? 0
}

const pieces = (x: Step, track: string) =>
  track === 'lot'
    ? { lot: { code: `B${x.pick % 3}` } }
    : track === 'serial'
      ? { serials: Array.from({ length: x.n }, (_, i) => `S${x.cents % 50}-${i}`) }
      : {}

/** Goods are ordered, come in part or before their order, are invoiced at other prices and paid, in whole, in part or ahead. */
export const BUYING = {
  order: async (h: History, x: Step, { saleId, amount, on }: About) => {
    const { violin, rosin } = h.shop
    const { strings, glue, bow, viola } = h.told
    if (x.n === 6) return h.attempt(orderProposed, { on })
    if (x.n > 6) return h.attempt(orderForSale, { saleId, on, direct: x.flag })
    const goodsId = [violin, rosin, strings, glue, bow, viola][x.pick % 6]!
    return h.attempt(orderGoods, {
      supplierId: h.told.supplier,
      on,
      lines: [
        { goodsId, quantity: String(x.n), unitCost: amount },
        { description: 'Carriage', quantity: '1', unitCost: '9.90' },
      ],
    })
  },
  'order-more': async (h: History, x: Step, { on }: About) => {
    const orderId = await h.idOf('purchase_order', x.pick)
    if (x.n < 4) return h.attempt(sendOrder, { orderId, on })
    if (x.n < 6) return h.attempt(closeOrder, { orderId, on, reason: 'x' })
    return h.attempt(changeOrder, { orderId, lines: [{ goodsId: h.shop.rosin, quantity: String(x.n) }] })
  },
  receive: async (h: History, x: Step, { amount, on }: About) => {
    const made = await anOrder(h, x.pick)
    if (!made || x.n === 7) {
      const goodsId = x.flag ? h.shop.rosin : h.told.bow
      return h.attempt(receiveGoods, {
        supplierId: h.told.supplier,
        on,
        lines: [{ goodsId, quantity: `${x.n}.5`, unitCost: amount }],
      })
    }
    return h.attempt(receiveGoods, {
      purchaseOrderId: made.id,
      on,
      placeId: x.flag ? await h.idOf('place', x.n) : undefined,
      lines: [
        {
          lineId: made.line,
          quantity: String(x.n),
          unitCost: x.n > 4 ? amount : undefined,
          more: x.flag,
          ...pieces(x, made.track),
        },
      ],
    })
  },
  'supplier-bill': async (h: History, x: Step, { amount, on }: About) => {
    const accounts = await h.shop.db.execute<{ id: number }>(
      sql`select id from account where code in ('6000', '6010') order by id`,
    )
    const made = await anOrder(h, x.pick)
    const line =
      x.n < 4
        ? { receivedLineId: await aReceivedLine(h, x.pick), amount: x.flag ? amount : undefined }
        : x.n < 6
          ? {
              purchaseOrderLineId: made?.line ?? 0,
              quantity: x.flag ? '1' : undefined,
              unitCost: x.n === 5 ? amount : undefined,
            }
          : { accountId: accounts[x.pick % 2]!.id, amount }
    return h.attempt(enterBill, {
      supplierId: h.told.supplier,
      on,
      theirNumber: `B-${x.cents}-${x.pick}-${x.n}`,
      lines: [{ ...line, taxCode: x.flag ? 'STD' : x.pick % 2 === 0 ? 'RC' : undefined }],
    })
  },
  'pay-supplier': async (h: History, x: Step, { amount, on }: About) => {
    const billId = await h.idOf('bill', x.pick)
    return h.attempt(paySupplier, {
      supplierId: h.told.supplier,
      on,
      from: x.flag ? 'bank' : 'drawer',
      check: x.n < 3 ? 'next' : undefined,
      amount,
      for: x.n > 5 ? [{ billId, amount }] : 'oldest',
    })
  },
  'pay-run': async (h: History, x: Step, { on }: About) => {
    const bills = [await h.idOf('bill', x.pick), await h.idOf('bill', x.pick + x.n)]
    return h.attempt(payRun, { on, billIds: [...new Set(bills)], check: x.flag ? 'next' : undefined })
  },
  'set-off': async (h: History, x: Step, { amount, on }: About) =>
    x.n > 5
      ? h.attempt(voidSetOff, { setOffId: await h.idOf('set_off', x.pick), on, reason: 'x' })
      : x.n === 1
        ? h.attempt(takeSupplierRefund, {
            supplierId: h.told.supplier,
            on,
            into: 'bank',
            amount: x.flag ? '1.00' : amount,
          })
        : x.n === 2
          ? h.attempt(voidSupplierRefund, { refundId: await h.idOf('supplier_refund', x.pick), on, reason: 'x' })
          : h.attempt(setOff, { supplierId: h.told.supplier, on, amount: x.flag ? amount : undefined }),
  'land-cost': async (h: History, x: Step, { amount, on }: About) => {
    const [from] = await h.shop.db.execute<{ id: number }>(sql`select id from account where code = '6010'`)
    const [line] = await h.shop.db.execute<{ id: number }>(
      sql`select id from bill_line where received_line_id is null and order_line_id is null order by id desc limit 1`,
    )
    const came = [await h.idOf('goods_received', x.pick), await h.idOf('goods_received', x.pick + x.n)]
    return h.attempt(landCost, {
      on,
      receivedIds: came,
      by: x.n > 4 ? 'quantity' : 'value',
      ...(x.flag && line ? { billLineId: line.id } : { amount, fromAccountId: from!.id }),
    })
  },
  'repeat-bill': async (h: History, x: Step) => {
    const billId = await h.idOf('bill', x.pick)
    if (x.flag) return h.attempt(startBillRepeat, { billId, every: 'two-weeks', firstOn: h.today, times: x.n })
    const repeatId = await h.idOf('bill_repeat', x.pick)
    return x.n > 5 ? h.attempt(stopBillRepeat, { repeatId }) : h.attempt(runBillRepeat, { repeatId })
  },
  'send-back': async (h: History, x: Step, { on }: About) => {
    const receivedId = await h.idOf('goods_received', x.pick)
    if (x.n === 7) return h.attempt(undoReceipt, { receivedId, on, reason: 'x' })
    const lines = await h.shop.db.execute<{ id: number; track: string; serial: string | null }>(sql`
      select l.id, g.track, (select b.serial from stock_move m join batch b on b.id = m.batch_id
                              where m.paper_kind = 'goods-received' and m.paper_id = l.received_id and m.goods_id = g.id limit 1) as serial
        from goods_received_line l join goods g on g.id = l.goods_id where l.received_id = ${receivedId}`)
    const line = lines[x.cents % Math.max(lines.length, 1)]
    if (!line) return
    const serials = line.track === 'serial' && line.serial ? [line.serial] : undefined
    const quantity = serials ? '1' : x.flag ? String(x.n) : `${x.n - 1}.5`
    return h.attempt(returnToSupplier, { receivedId, on, lines: [{ lineId: line.id, quantity, serials }], reason: 'x' })
  },
  'supplier-credit': async (h: History, x: Step, { amount, on }: About) => {
    const [waiting] = await h.shop.db.execute<{ line: number; bill: number; n: string }>(sql`
      select l.id as line, b.bill_id as bill, (l.billed + l.returned - l.credited - l.quantity)::text as n
        from goods_received_line l join bill_line b on b.received_line_id = l.id or (b.received_line_id is null and b.order_line_id = l.order_line_id)
       where l.billed + l.returned - l.credited > l.quantity order by l.id desc limit 1`)
    return waiting && x.flag
      ? h.attempt(creditBill, {
          billId: waiting.bill,
          on,
          lines: [{ receivedLineId: waiting.line, quantity: x.n > 3 ? '0.5' : waiting.n }],
          reason: 'x',
        })
      : h.attempt(creditBill, { billId: await h.idOf('bill', x.pick), on, amount, reason: 'x' })
  },
  'void-bought': async (h: History, x: Step, { on }: About) =>
    x.n === 1
      ? h.attempt(voidLandedCost, { costId: await h.idOf('landed_cost', x.pick), on, reason: 'x' })
      : x.n > 5
        ? h.attempt(voidCredit, { creditId: await h.idOf('supplier_credit', x.pick), on, reason: 'x' })
        : x.flag
          ? h.attempt(voidBill, { billId: await h.idOf('bill', x.pick), on, reason: 'x' })
          : h.attempt(voidSupplierPayment, { paymentId: await h.idOf('supplier_payment', x.pick), on, reason: 'x' }),
}
