import { z } from 'zod'
import { toFourPlaces } from '@/core/money'
import { findGoods, findGoodsByCode, insertGoods, updateGoods, type GoodsKind } from '@/data/queries/goods'
import { listAccounts } from '@/data/queries/accounts'
import { defineCommand, type Work } from '../command'
import { id, needed, quantity, text, unitPrice } from '../input/fields'
import { goodsView } from '../read/goods'
import { found, refuse } from '../refuse'

const fields = {
  code: needed(40, 'A code'),
  name: needed(200, 'A name'),
  price: unitPrice,
  taxCode: text(40).optional(),
  incomeAccount: text(20).optional(),
  barcode: text(60).optional(),
  note: text(2000).optional(),
}

export const addGoodsInput = z
  .object({
    ...fields,
    kind: z.enum(['stock', 'work', 'charge', 'kit'], { error: 'Say stock, work, charge or kit.' }),
    parts: z
      .array(z.object({ goodsId: id, quantity }))
      .max(100)
      .optional(),
  })
  .refine((g) => g.kind !== 'kit' || (g.parts?.length ?? 0) > 0, {
    message: 'A kit needs its parts.',
    path: ['parts'],
  })
  .refine((g) => g.kind === 'kit' || !g.parts?.length, { message: 'Only a kit has parts.', path: ['parts'] })

const INCOME = { stock: 'sales', kit: 'sales', work: 'work', charge: 'charges' } as const

const taxCodeId = async (w: Work, code: string | undefined): Promise<number> => {
  const codes = await w.taxCodes()
  const named = code ? codes.find((c) => c.code.toLowerCase() === code.toLowerCase()) : codes[0]
  return (
    named?.id ??
    refuse({ code: 'invalid', errors: [{ path: 'taxCode', message: `There is no tax code ${code}.` }] })
  )
}

const incomeAccountId = async (w: Work, code: string | undefined, kind: GoodsKind): Promise<number> => {
  if (!code) return w.accountId(INCOME[kind])
  const account = (await listAccounts(w.tx)).find((a) => a.code === code && a.kind === 'income')
  return (
    account?.id ??
    refuse({
      code: 'invalid',
      errors: [{ path: 'incomeAccount', message: `There is no income account ${code}.` }],
    })
  )
}

const mustBeFree = async (w: Work, code: string, except?: number): Promise<void> => {
  const other = await findGoodsByCode(w.tx, code)
  if (other && other.id !== except) refuse({ code: 'taken', what: 'code', value: code })
}

/** Adds goods: something kept on the shelf, work, a charge, or a kit made of other goods. */
export const addGoods = defineCommand('add-goods', addGoodsInput, async (w, g) => {
  await mustBeFree(w, g.code)
  const parts = g.parts ?? []
  const known = await findGoods(
    w.tx,
    parts.map((p) => p.goodsId),
  )
  for (const [i, part] of parts.entries()) {
    const goods = found(known.get(part.goodsId), 'goods', part.goodsId)
    if (goods.kind === 'kit')
      refuse({
        code: 'invalid',
        errors: [{ path: `parts.${i}`, message: `${goods.name} is a kit itself. Name its parts.` }],
      })
  }
  const goodsId = await insertGoods(
    w.tx,
    {
      code: g.code,
      name: g.name,
      kind: g.kind,
      price: toFourPlaces(g.price),
      taxCodeId: await taxCodeId(w, g.taxCode),
      incomeAccountId: await incomeAccountId(w, g.incomeAccount, g.kind),
      barcode: g.barcode ?? '',
      note: g.note ?? '',
    },
    parts.filter((p) => known.get(p.goodsId)!.kind === 'stock'),
  )
  return { id: goodsId, answer: async () => (await goodsView(w.tx, goodsId, w.business))! }
})

const changeInput = z
  .object({ goodsId: id, ...fields, retired: z.boolean().optional() })
  .partial()
  .required({ goodsId: true })

/** Changes goods from now on. Papers written before keep what they say. */
export const changeGoods = defineCommand('change-goods', changeInput, async (w, { goodsId, ...g }) => {
  const before = found((await findGoods(w.tx, [goodsId])).get(goodsId), 'goods', goodsId)
  if (g.code) await mustBeFree(w, g.code, goodsId)
  await updateGoods(w.tx, goodsId, {
    code: g.code ?? before.code,
    name: g.name ?? before.name,
    price: toFourPlaces(g.price ?? before.price),
    taxCodeId: g.taxCode ? await taxCodeId(w, g.taxCode) : before.taxCodeId,
    incomeAccountId: g.incomeAccount
      ? await incomeAccountId(w, g.incomeAccount, before.kind)
      : before.incomeAccountId,
    barcode: g.barcode ?? before.barcode,
    note: g.note ?? before.note,
    retired: g.retired ?? before.retired,
  })
  return { id: goodsId, answer: async () => (await goodsView(w.tx, goodsId, w.business))! }
})
