import { countStockInput } from '@/contract/inputs/goods/countStock'
import type { z } from 'zod'
import { decimal, toDecimalString, ZERO, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { sameName } from '@/core/stock'
import { defineCommand, paperDay, type Work } from '../command'
import { refuseAt } from '@/contract/refuse'
import { listPlaces } from '@/data/queries/stock'
import { changeStock, mustNamePieces, type StockChange } from './changeStock'
import { tellMoves, writeStockPaper } from './writeStockPaper'
import { placeNamed } from './places'
import { stockLines } from './stockLines'
import { stockOn, type Stock } from './stockOn'

type Counted = z.output<typeof countStockInput>['lines'][number]
type Line = Counted & Pick<StockChange, 'goods'>

/** What a line counts, by name: each serial, a lot, or all of a thing in the place. */
const namesOf = ({ goodsId, lot, serials = [] }: Counted): readonly string[] =>
  serials.length > 0
    ? serials.map((s) => `${goodsId} serial ${s.toLowerCase()}`)
    : [`${goodsId} lot ${lot?.code.toLowerCase() ?? ''}`]

/** Nothing is counted twice, and each thing is counted as it is told apart. */
const check = (lines: readonly Line[]): void => {
  const seen = new Set<string>()
  for (const [i, line] of lines.entries()) {
    mustNamePieces(line.goods, line, `lines.${i}`)
    for (const name of namesOf(line)) {
      const message = `${line.goods.name} is counted twice.`
      if (seen.has(name)) refuseAt(`lines.${i}.goodsId`, message)
      seen.add(name)
    }
  }
}

/** What the books have of a line's lot, of one serial, or of all of a thing in a place on the day. */
const expected = (stock: Stock, { goods, lot }: Line, placeId: number, serial?: string): Decimal =>
  stock.piles
    .filter((p) => p.goodsId === goods.id && p.placeId === placeId)
    .filter((p) =>
      serial === undefined ? !lot || sameName(p.batch?.lot, lot.code) : sameName(p.batch?.serial, serial),
    )
    .reduce((sum, p) => sum.plus(p.on), ZERO)

/** What a count changes, line by line. */
const changesOf = (stock: Stock, line: Line, placeId: number): readonly StockChange[] => {
  const { goods, lot, unitCost, serials = [] } = line
  if (goods.track !== 'serial') {
    const change = (line.counted ?? ZERO).minus(expected(stock, line, placeId))
    return change.eq(0) ? [] : [{ goods, placeId, lot, unitCost, change }]
  }
  const there = line.counted?.eq(0) ? 0 : 1
  return serials.flatMap((serial) => {
    const change = decimal(there).minus(expected(stock, line, placeId, serial))
    return change.eq(0) ? [] : [{ goods, placeId, serials: [serial], unitCost, change }]
  })
}

const movesOf = async (w: Work, lines: readonly Counted[], placeId: number, onDay: Day) => {
  const known = await stockLines(w, lines)
  check(known)
  const stock = await stockOn(
    w,
    known.map((l) => l.goods),
    onDay,
  )
  return changeStock(
    w,
    known.flatMap((line) => changesOf(stock, line, placeId)),
    { on: onDay, counted: true },
  )
}

/**
 * What was counted replaces what the books had on that day. More than expected comes in at the unit cost given (else at the average so
 * far), less leaves at what it cost; the difference goes to stock adjustments. A line counts only what it names: a lot, or serials.
 */
export const writeCount = async (w: Work, input: z.output<typeof countStockInput>) => {
  const onDay = paperDay(w, input.on)
  const place = placeNamed(await listPlaces(w.tx), input.placeId, 'placeId')
  const moves = await movesOf(w, input.lines, place.id, onDay)
  const { id, number, value } = await writeStockPaper(w, moves, { kind: 'stock-count', on: onDay, placeId: place.id })
  return {
    id,
    value,
    answer: async () => {
      const { canGo, rows } = await tellMoves(w, moves)
      return {
        id,
        number,
        on: onDay,
        placeId: place.id,
        value: toDecimalString(value),
        canGo,
        lines: rows.map(({ change, ...row }) => ({ ...row, difference: change })),
      }
    },
  }
}
export const countStock = defineCommand('count-stock', countStockInput, writeCount)
