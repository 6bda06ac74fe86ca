import { addMonths, type Day } from '../src/core/day'
import type { DemoGoods } from './goods'

let serial = 100

/** What is counted in of a thing, told apart as it is: a lot of the day, or a serial each. `there` lie there already. */
export const countedIn = (g: DemoGoods & { readonly id: number }, there: number, on: Day) => {
  const more = g.stock! - there
  const line = { goodsId: g.id, unitCost: g.cost! }
  if (g.track === 'serial') return { ...line, serials: Array.from({ length: more }, () => `FS-${String(++serial)}`) }
  if (g.track === 'lot') {
    // Strings keep for years; glue does not.
    const expires = addMonths(on, g.code.startsWith('GLUE') ? 19 : 40)
    return {
      ...line,
      counted: String(more),
      lot: { code: `${g.code.slice(0, 2)}${on.slice(2).replaceAll('-', '')}`, expires },
    }
  }
  return { ...line, counted: String(g.stock) }
}
