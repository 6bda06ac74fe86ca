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
  | { readonly verb: 'find'; readonly text: string }

/**
 * Reads what was typed: `take 250 cash from Adair`, `take 12*45 from Adair` (cash when no method is said),
 * `estimate Adair: 2 rosin, 1 rehair`, `order Adair: cello case`. Everything else is something to find. Case is ignored;
 * a thing without a number is one of it.
 */
export const readQuickLine = (typed: string): QuickIntent => {
  const text = typed.trim().replace(/\s+/g, ' ')
  const take = /^take (\S+)(?: (cash|card|cheque|transfer))? from (.+)$/i.exec(text)
  if (take) {
    const amount = evaluateAmount(take[1]!)
    if (amount.ok && amount.value.gt(0)) {
      const method = (take[2]?.toLowerCase() ?? 'cash') as 'cash' | 'card' | 'cheque' | 'transfer'
      return { verb: 'take', amount: toFourPlaces(amount.value), method, who: take[3]! }
    }
  }
  const write = /^(estimate|order) ([^:]+)(?::(.*))?$/i.exec(text)
  if (write) {
    const lines = (write[3] ?? '')
      .split(',')
      .map((part) => part.trim())
      .filter((part) => part !== '')
      .map(readThing)
    return { verb: write[1]!.toLowerCase() as 'estimate' | 'order', who: write[2]!.trim(), lines }
  }
  return { verb: 'find', text }
}

const readThing = (part: string): { quantity: string; what: string } => {
  const counted = /^(\d+(?:\.\d{1,4})?)\s*(?:x|×)?\s+(.+)$/.exec(part)
  return counted ? { quantity: counted[1]!, what: counted[2]! } : { quantity: '1', what: part }
}
