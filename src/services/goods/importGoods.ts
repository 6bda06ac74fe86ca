import { importGoodsInput } from '@/contract/inputs/goods/importGoods'
import { piecesOf } from '@/core/piecesOf'
import { present } from '@/core/present'
import { z } from 'zod'
import { listAccounts } from '@/data/queries/accounts'
import { findGoodsByCodes, insertManyGoods, updateManyGoods } from '@/data/queries/goods'
import { defineCommand, type Work } from '../command'
import { needed, quantityOrZero, text, unitPrice } from '@/contract/fields'
import { refuse } from '@/contract/refuse'
import { readTableFile, type FileTable } from '../files/readTableFile'
import { openSheet } from '../files/openSheet'

/** What a column may be called, in lower case without spaces; the first is what an export calls it. */
const COLUMNS = {
  code: ['code', 'number', 'sku', 'item'],
  name: ['name', 'description', 'title'],
  kind: ['kind', 'type'],
  price: ['price', 'unitprice', 'listprice'],
  taxCode: ['taxcode', 'tax'],
  incomeAccount: ['incomeaccount', 'account'],
  barcode: ['barcode', 'ean', 'gtin'],
  note: ['note', 'notes'],
  tags: ['tags'],
  weight: ['weight'],
  size: ['size'],
  reorderAt: ['reorderat', 'reorder', 'minimum'],
  onShopfront: ['onshopfront', 'shopfront', 'onlineshop'],
} as const

const yes = z
  .string()
  .toLowerCase()
  .refine((s) => ['yes', 'no', 'true', 'false', '1', '0', 'x'].includes(s), 'Write yes or no.')
  .transform((s) => ['yes', 'true', '1', 'x'].includes(s))
/** An empty cell says nothing. */
const orNothing = <T>(schema: z.ZodType<T, string>) =>
  z.string().transform((s, ctx) => {
    if (s === '') return undefined
    const parsed = schema.safeParse(s)
    if (parsed.success) return parsed.data
    for (const issue of parsed.error.issues) ctx.addIssue({ code: 'custom', message: issue.message })
    return z.NEVER
  })
const KINDS = 'Say stock, work or charge. Kits are made by hand, from their parts.'
const row = z.object({
  code: needed(40, 'A code'),
  name: needed(200, 'A name'),
  kind: orNothing(
    z
      .string()
      .toLowerCase()
      .pipe(z.enum(['stock', 'work', 'charge', 'kit'], { error: KINDS })),
  ),
  price: unitPrice,
  taxCode: orNothing(text(40)),
  incomeAccount: orNothing(text(20)),
  barcode: orNothing(text(60)),
  note: orNothing(text(2000)),
  tags: orNothing(text(400)),
  weight: orNothing(quantityOrZero),
  size: orNothing(text(60)),
  reorderAt: orNothing(quantityOrZero),
  onShopfront: orNothing(yes),
})

/** Every row judged on its own and against the others and what is there: nothing is written. */
const judge = async (w: Work, table: FileTable) => {
  const sheet = openSheet(w.business, table, { names: COLUMNS, needed: ['code', 'name', 'price'] })
  const [codes, accounts, there] = await Promise.all([
    w.taxCodes(),
    listAccounts(w.tx),
    findGoodsByCodes(w.tx, sheet.all('code')),
  ])
  const usual = {
    stock: w.accountId('sales'),
    work: w.accountId('work'),
    charge: w.accountId('charges'),
  }
  const seen = new Map<string, number>()
  const [price, weight, reorderAt] = [sheet.numbers('price'), sheet.numbers('weight'), sheet.numbers('reorderAt')]
  return sheet.judge((given, say, at) => {
    const parsed = row.safeParse({ ...given, price: price(given), weight: weight(given), reorderAt: reorderAt(given) })
    if (!parsed.success) return void parsed.error.issues.forEach((x) => say(String(x.path[0] ?? ''), x.message))
    const r = parsed.data
    const key = r.code.toLowerCase()
    const before = seen.get(key)
    if (before !== undefined) return say('code', `${r.code} stands in row ${before} already.`)
    seen.set(key, at)
    const taxCode = codes.find((c) => c.code.toLowerCase() === r.taxCode?.toLowerCase())
    if (r.taxCode && !taxCode) return say('taxCode', `there is no tax code ${r.taxCode}.`)
    const account = r.incomeAccount
      ? accounts.find((a) => a.code === r.incomeAccount && a.kind === 'income')
      : undefined
    if (r.incomeAccount && !account) return say('incomeAccount', `there is no income account ${r.incomeAccount}.`)
    const known = there.get(key)
    if (known && r.kind && known.kind !== r.kind)
      return say('kind', `${r.code} is ${known.kind} here and stays so; the file says ${r.kind}.`)
    const said = { ...r, taxCodeId: taxCode?.id, incomeAccountId: account?.id }
    if (known) return { ...said, kind: known.kind, goodsId: known.id }
    if (r.kind === 'kit') return say('kind', KINDS)
    const kind = r.kind ?? 'stock'
    // What is new and says nothing of it takes what most of its kind have.
    return {
      ...said,
      kind,
      goodsId: null,
      taxCodeId: said.taxCodeId ?? present(codes[0]).id,
      incomeAccountId: said.incomeAccountId ?? usual[kind],
    }
  })
}

type Good = Awaited<ReturnType<typeof judge>>['rows'][number]

/** What a row says of goods, in their columns; what it leaves open is undefined. */
const plain = ({
  goodsId: _id,
  row: _row,
  taxCode: _code,
  incomeAccount: _account,
  kind: _kind,
  tags,
  ...g
}: Good) => ({
  ...g,
  tags: tags
    ?.split(/[,;]/)
    .map((t) => t.trim().toLowerCase())
    .filter(Boolean),
})

/** So many are written before others have their turn. */
const AT_ONCE = 500

const writeGoods = async (w: Work, mode: 'look' | 'all' | 'good', table: FileTable) => {
  const { rows: good, problems } = await judge(w, table)
  const result = {
    rows: table.rows.length,
    added: good.filter((g) => g.goodsId === null).length,
    changed: good.filter((g) => g.goodsId !== null).length,
    problems,
    preview: good.slice(0, 20).map((g) => ({
      row: g.row,
      code: g.code,
      name: g.name,
      kind: g.kind,
      price: g.price.toString(),
      isNew: g.goodsId === null,
    })),
  }
  if (mode === 'all' && problems.length > 0)
    refuse({ code: 'rows-wrong', count: problems.length, first: present(problems[0]) })
  const written = mode !== 'look'
  if (written)
    for (const some of piecesOf(good, AT_ONCE)) {
      await insertManyGoods(
        w.tx,
        some.flatMap((g) =>
          g.goodsId === null
            ? [{ ...plain(g), kind: g.kind, taxCodeId: g.taxCodeId, incomeAccountId: g.incomeAccountId }]
            : [],
        ),
      )
      await updateManyGoods(
        w.tx,
        some.flatMap((g) => (g.goodsId === null ? [] : [{ ...plain(g), id: g.goodsId }])),
      )
    }
  return { id: 1, answer: async () => ({ ...result, written }) }
}

/**
 * Goods from a spreadsheet: new codes are added, known ones changed. First looked at, row by row; then written all at once
 * or not at all. An empty cell leaves what is there. The file is read before anybody waits for it.
 */
export const importGoods = defineCommand(
  'import-goods',
  importGoodsInput,
  (w, { mode }, table: FileTable | undefined) => writeGoods(w, mode, present(table)),
  { ask: (_, { base64 }) => readTableFile(base64) },
)
