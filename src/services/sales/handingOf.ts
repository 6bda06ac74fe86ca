import { refuse, refuseAt } from '@/contract/refuse'
import { smaller, ZERO, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import { lineState } from '@/core/sale'
import { kitsOut, kitsWith, type KitPart } from '@/core/stock'
import { readKitLines, type KitLine } from '@/model/sale/kitLines'
import type { Work } from '../command'
import type { Named } from '../goods/leaving'
import type { SaleLineRow } from '@/data/queries/saleLine'
import type { LockedSale } from './saleWork'

/** So many of a line that go. */
export interface Handing {
  readonly line: SaleLineRow
  readonly quantity: Decimal
  /** Where they are taken from, adding up to the quantity; left out, it is proposed. */
  readonly from?: readonly Named[]
  /** Of a kit: the parts that go, where they are not just those of so many whole kits. */
  readonly parts?: readonly PartHanding[]
  /** Of a kit that goes whole: what it is made of, and what went ahead. */
  readonly kit?: KitLine
}

/** A line as it is asked for: so many of it, or parts of a kit. */
export interface HandedLine {
  readonly lineId: number
  readonly quantity: Decimal
  readonly from: readonly Named[]
  readonly parts?: readonly PartHanding[]
}

/** So many of a kit's part. */
export interface PartHanding extends KitPart {
  readonly from?: readonly Named[]
}

/** The lines that were named, each once, with all that was said of it. */
export const mergeLines = (locked: LockedSale, lines: readonly HandedLine[]): Handing[] => {
  const merged = new Map<number, Handing>()
  for (const { lineId, quantity, from, parts } of lines) {
    const line = locked.lines.find((l) => l.id === lineId) ?? refuse({ code: 'not-found', what: 'line', id: lineId })
    const before = merged.get(lineId)
    merged.set(lineId, {
      line,
      quantity: (before?.quantity ?? ZERO).plus(quantity),
      from: [...(before?.from ?? []), ...from],
      parts: before?.parts || parts ? [...(before?.parts ?? []), ...(parts ?? [])] : undefined,
    })
  }
  return [...merged.values()]
}

/** What goes of each line, checked against what is agreed; kits with what they are made of, or as the parts that go now. */
export const handingOf = async (
  w: Work,
  locked: LockedSale,
  wished: readonly Handing[],
): Promise<readonly Handing[]> => {
  const kits = await readKitLines(w.tx, locked.lines)
  return wished.map((h) => {
    const left = lineState(h.line).toHandOver
    if (h.quantity.gt(left)) refuse({ code: 'more-than-agreed', line: h.line.description, left, asked: h.quantity })
    const kit = kits.get(h.line.id)
    if (h.parts) return asParts(h, kit ?? notAKit(h), left)
    return kit ? { ...h, kit } : h
  })
}

const notAKit = ({ line }: Handing): never =>
  refuseAt('lines', `${line.description} is no kit. Say a quantity instead of parts.`)

/** Parts of a kit, or the kit itself, assembled: none more than are still to go; with them so many kits become whole. */
const asParts = (h: Handing, kit: KitLine, left: Decimal): Handing => {
  const parts = sumParts(present(h.parts))
  const given = (goodsId: number) => parts.find((p) => p.goodsId === goodsId)?.quantity ?? ZERO
  const assembled = given(kit.kitId)
  const mayGo = [
    { goodsId: kit.kitId, quantity: kitsOut(kit, left, left).assembled },
    ...kitsOut(kit, left, assembled).parts,
  ]
  for (const part of parts) {
    const may = mayGo.find((p) => p.goodsId === part.goodsId)
    if (!may) refuseAt('lines', `Item ${part.goodsId} is no part of ${h.line.description}.`)
    if (part.quantity.gt(present(may).quantity))
      refuse({
        code: 'more-than-agreed',
        line: h.line.description,
        left: present(may).quantity,
        asked: part.quantity,
      })
  }
  const whole = assembled.plus(kitsWith(kit.parts, kit.ahead, given))
  return { line: h.line, quantity: smaller(whole, left), parts }
}

const sumParts = (parts: readonly PartHanding[]): readonly PartHanding[] => {
  const sums = new Map<number, PartHanding>()
  for (const p of parts) {
    const before = sums.get(p.goodsId)
    sums.set(p.goodsId, {
      goodsId: p.goodsId,
      quantity: before ? before.quantity.plus(p.quantity) : p.quantity,
      from: [...(before?.from ?? []), ...(p.from ?? [{ quantity: p.quantity }])],
    })
  }
  return [...sums.values()]
}
