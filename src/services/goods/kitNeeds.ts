import { larger, smaller, ZERO, type Decimal, floor } from '@/core/money'
import { present } from '@/core/present'
import { kitsBegun, kitsOut, mayGo, type KitState, type Lying } from '@/core/stock'
import type { Goods } from '@/data/queries/goods'
import type { Leaving, Plan } from './leaving'
import type { Stock } from './stockOn'

/** What has to leave the shelves for each: itself, kits assembled and as their parts; nothing for work and charges. */
export const needsOf = (leaving: readonly Leaving[], stock: Stock, plan: Plan): readonly (readonly Leaving[])[] => {
  let lying: readonly Lying[] = mayGo(stock.piles, plan.on, plan.toCustomer ?? false)
  /** So many assembled kits at a place or anywhere, at most `most`; none of them is taken twice. */
  const takeAssembled = (kitId: number, placeId: number | undefined, most: Decimal): Decimal => {
    let left = floor(most)
    lying = lying.map((l) => {
      if (l.goodsId !== kitId || (placeId !== undefined && l.placeId !== placeId)) return l
      const taken = larger(smaller(floor(l.quantity), left), ZERO)
      left = left.minus(taken)
      return { ...l, quantity: l.quantity.minus(taken) }
    })
    return floor(most).minus(left)
  }
  return leaving.map((l) => {
    if (!l.kit) return l.goods.kind === 'stock' || l.goods.kind === 'kit' ? [l] : []
    return kitNeeds({ ...l, kit: l.kit }, takeAssembled, present(plan.partsOf))
  })
}

/** Kits of a line: first those that lie assembled where they are taken from, then the parts of the rest. */
const kitNeeds = (
  { goods, quantity, from, saleLineId, kit }: Leaving & { readonly kit: KitState },
  takeAssembled: (kitId: number, placeId: number | undefined, most: Decimal) => Decimal,
  partsOf: ReadonlyMap<number, Goods>,
): readonly Leaving[] => {
  const places = from?.length ? from : [{ placeId: undefined, quantity }]
  let may = kitsOut(kit, quantity, quantity).assembled
  const assembled = places.map(({ placeId, quantity: there }) => {
    const taken = takeAssembled(goods.id, placeId, smaller(there, may))
    may = may.minus(taken)
    return { placeId, quantity: taken }
  })
  const whole = assembled.reduce((sum, a) => sum.plus(a.quantity), ZERO)
  const begun = kitsBegun(kit).gt(0)
  const parts = kitsOut(kit, quantity, whole).parts.filter((p) => p.quantity.gt(0))
  return [
    ...(whole.gt(0) ? [{ goods, quantity: whole, from: assembled.filter((a) => a.quantity.gt(0)), saleLineId }] : []),
    ...parts.map((p): Leaving => {
      const each = present(kit.parts.find((x) => x.goodsId === p.goodsId)).quantity
      const rest = places.map((at, i) => ({
        placeId: at.placeId,
        quantity: each.times(at.quantity.minus(present(assembled[i]).quantity)),
      }))
      return {
        goods: present(partsOf.get(p.goodsId)),
        quantity: p.quantity,
        from: begun ? undefined : rest.filter((r) => r.quantity.gt(0)),
        saleLineId,
      }
    }),
  ]
}
