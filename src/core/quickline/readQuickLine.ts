import { present } from '@/core/present'
import { plainDigits } from '../locale'
import { evaluateAmount, toFourPlaces } from '../money'

/** What a quick line means, before anybody was looked up. */
export type QuickIntent =
  | {
      readonly verb: 'take'
      readonly amount: string
      readonly method: 'cash' | 'card' | 'cheque' | 'transfer'
      readonly who: string
    }
  | {
      readonly verb: 'estimate' | 'order'
      readonly who: string
      readonly lines: readonly { readonly quantity: string; readonly what: string }[]
    }
  | { readonly verb: SaleVerb; readonly sale: string }
  | { readonly verb: 'decline'; readonly sale: string; readonly reason: string }
  | { readonly verb: 'customer'; readonly name: string; readonly email: string }
  | { readonly verb: 'remind'; readonly who: string }
  | { readonly verb: 'find'; readonly text: string }

export type SaleVerb = 'offer' | 'agree' | 'hand over' | 'bill' | 'copy' | 'mail'

/** What can be done with a sale by its number, as it may be typed; the first of each is what is proposed. */
const SALE_VERBS: readonly (readonly [SaleVerb, typed: readonly [string, ...string[]]])[] = [
  ['offer', ['send', 'offer']],
  ['agree', ['accept', 'agree']],
  ['hand over', ['hand over']],
  ['bill', ['invoice', 'bill']],
  ['copy', ['copy']],
  ['mail', ['email', 'mail']],
]
const TYPED: ReadonlyMap<string, SaleVerb> = new Map(
  SALE_VERBS.flatMap(([verb, typed]) => typed.map((t) => [t, verb] as const)),
)
const SALE_LINE = new RegExp(`^(${[...TYPED.keys()].join('|')}) (\\d{1,9})$`, 'i')

/** Every verb with how it goes on, for completing while it is typed. */
export const QUICK_VERBS: readonly (readonly [verb: string, example: string])[] = [
  ['take', 'take 250 cash from …'],
  ['estimate', 'estimate …: 2 rosin, 1 rehair'],
  ['order', 'order …: cello case'],
  ['decline', 'decline 1042: too dear'],
  ...SALE_VERBS.map(([, [typed]]) => [typed, `${typed} 1042`] as const),
  ['remind', 'remind …'],
  ['customer', 'customer Ines Marlowe ines@mail.example'],
]

/**
 * Reads what was typed: `take 250 cash from Adair`, `take 12*45 from Adair` (cash when no method is said),
 * `estimate Adair: 2 rosin, 1 rehair`, `order for Adair: cello case`, `accept 1042`, `decline 1042: too dear`, `customer Ines
 * Marlowe ines@mail.example`, `remind Adair`. Everything else is something to find. Case is ignored;
 * a thing without a number is one of it.
 */
export const readQuickLine = (typed: string): QuickIntent => {
  const text = typed.trim().replace(/\s+/g, ' ')
  const take = /^take (\S+)(?: (cash|card|check|cheque|transfer))? from (.+)$/i.exec(text)
  if (take) {
    const amount = evaluateAmount(present(take[1]))
    if (amount.ok && amount.value.gt(0)) {
      const said = take[2]?.toLowerCase() ?? 'cash'
      const method = said === 'check' ? 'cheque' : (said as 'cash' | 'card' | 'cheque' | 'transfer')
      return { verb: 'take', amount: toFourPlaces(amount.value), method, who: present(take[3]) }
    }
  }
  const write = /^(estimate|order)(?: for)? ([^:]+)(?::(.*))?$/i.exec(text)
  if (write) {
    const lines = plainCounts(write[3] ?? '')
      .split(',')
      .map((part) => part.trim())
      .filter((part) => part !== '')
      .map(readThing)
    return { verb: present(write[1]).toLowerCase() as 'estimate' | 'order', who: present(write[2]).trim(), lines }
  }
  const sale = SALE_LINE.exec(text)
  if (sale) return { verb: present(TYPED.get(present(sale[1]).toLowerCase())), sale: present(sale[2]) }
  const decline = /^decline (\d{1,9})(?:\s*:\s*(.*))?$/i.exec(text)
  if (decline) return { verb: 'decline', sale: present(decline[1]), reason: decline[2] ?? '' }
  const customer = /^customer (.+?)(?: (\S+@\S+))?$/i.exec(text)
  if (customer) return { verb: 'customer', name: present(customer[1]), email: customer[2] ?? '' }
  const remind = /^remind (.+)$/i.exec(text)
  if (remind) return { verb: 'remind', who: present(remind[1]) }
  return { verb: 'find', text }
}

/** How many of each, made plain as every number that is typed: the commas that are left stand between things. */
const plainCounts = (things: string): string =>
  things.replace(
    /(^|,)(\s*)(\d[\d.,’']*)(?=\s*[x×]?\s)/gi,
    (_, before: string, room: string, count: string) => before + room + plainDigits(count),
  )

const readThing = (part: string): { quantity: string; what: string } => {
  const counted = /^(\d+(?:\.\d{1,4})?)\s*(?:x|×)?\s+(.+)$/i.exec(part)
  return counted ? { quantity: present(counted[1]), what: present(counted[2]) } : { quantity: '1', what: part }
}
