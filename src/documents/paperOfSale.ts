import { addressLine } from '@/core/people'
import { readSaleFacts } from '@/model/paper/saleFacts'
import { present } from '@/core/present'
import { paperWords } from '@/core/formats'
import {
  formatMoney,
  formatPrice,
  isPositiveMoney,
  money,
  subtractMoney,
  zeroMoney,
  type Money,
  negateMoney,
  addMoney,
  formatQuantity,
} from '@/core/money'
import type { Story, StoryLine } from '@/model/sale/story'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { lessOf, saleRows, type Standing } from './saleRows'
import { termsIn } from './termsIn'
import { readTaxSums } from '@/model/paper/taxSums'
import { worthOf } from '@/model/sale/worth'

type SaleFacts = NonNullable<Awaited<ReturnType<typeof readSaleFacts>>>

/** Whom a paper of a sale goes to, and in which language. */
export const basics = ({ story: { sale }, customer }: SaleFacts) => ({
  language: customer.language,
  to: { name: sale.customerName, address: sale.billTo },
  deliverTo:
    sale.deliverTo && sale.deliverTo !== sale.billTo ? { address: sale.deliverTo, note: sale.deliverNote } : null,
})

/** What a line comes to on its own where it is left to the customer and does not count in the total. */
const worthShown = (l: StoryLine, counts: boolean, story: Story, i: number, currency: string): Money => {
  const amounts = present(story.totals.lines[i])
  if (!counts) return worthOf({ ...l, wholeLess: 0n }, l.quantity, currency)
  const basis = story.sale.pricesIncludeTax ? amounts.gross : amounts.net
  // The share of what is off the whole stands under the lines, in one sum.
  return addMoney(basis, money(l.wholeLess, currency))
}

/** The note of a line, and where it goes when that is somewhere else than the rest. */
export const noteOf = (
  l: Pick<StoryLine, 'note' | 'deliverTo'>,
  usual: string,
  t: ReturnType<typeof paperWords>,
): string =>
  [l.note, l.deliverTo && l.deliverTo !== usual ? `${t('deliverTo')}: ${addressLine(l.deliverTo)}` : '']
    .filter(Boolean)
    .join('\n')

/** What is off the whole, under the lines: in the basis of the prices, as the lines are. */
export const wholeLessOf = (lines: readonly { wholeLess: bigint }[], currency: string): Money =>
  money(
    lines.reduce((sum, l) => sum + l.wholeLess, 0n),
    currency,
  )

type Kind = 'estimate' | 'confirmation'
type Words = ReturnType<typeof paperWords>

/** The lines that stand on it: what was offered, with its choices, or what was ordered. */
const standingOf = ({ story }: SaleFacts, kind: Kind, t: Words, currency: string): readonly Standing[] =>
  story.lines.flatMap((l, i): Standing[] => {
    const confirmed = kind === 'confirmation'
    const quantity = confirmed ? l.agreed : l.quantity
    if (l.kind === 'heading' || l.kind === 'text' || quantity.eq(0)) return []
    const counts = confirmed || l.chosen
    const mark =
      l.choice === 'none' || confirmed ? '' : l.choice === 'optional' ? t('optional') : counts ? '' : t('alternative')
    const worth = worthShown(l, counts, story, i, currency)
    return [
      {
        line: l,
        what: mark ? `${l.description} (${mark})` : l.description,
        note: noteOf(l, story.sale.deliverTo, t),
        cells: {
          code: l.code ?? '',
          quantity: formatQuantity(quantity),
          each: formatPrice(l.unitPrice, currency),
          less: lessOf(l, currency),
          sum: counts ? formatMoney(worth) : `(${formatMoney(worth)})`,
        },
        worth: counts ? worth : zeroMoney(currency),
      },
    ]
  })

/** Dates, terms and their references beside the address. */
const factsOf = ({ story, customer }: SaleFacts, kind: Kind, t: Words): Paper['facts'] => {
  const { sale, arrangement } = story
  const { language } = customer
  const confirmed = kind === 'confirmation'
  const on = (confirmed ? sale.agreedOn : (sale.sentOn ?? sale.startedOn)) ?? sale.startedOn
  return [
    [t('date'), t.day(on)],
    ...(!confirmed && sale.validUntil ? [[t('goodThrough'), t.day(sale.validUntil)] as const] : []),
    ...(arrangement.kind === 'now' ? [] : [[t('terms'), termsIn(arrangement, language)] as const]),
    ...(sale.purchaseOrder ? [[t('yourOrder'), sale.purchaseOrder] as const] : []),
    ...(sale.wantedBy ? [[t('wantedBy'), t.day(sale.wantedBy)] as const] : []),
    ...(confirmed && sale.yesBy ? [[t('agreedBy'), sale.yesBy] as const] : []),
  ]
}

/** What it comes to, as it was agreed: bills at other tax rates have papers of their own. */
const sumsOf = async ({ db, business }: Asked, { story }: SaleFacts, kind: Kind, t: Words): Promise<Paper['sums']> => {
  const { currency } = business
  const { sale, totals } = story
  const counted = story.lines.filter((l) => (kind === 'confirmation' ? l.agreed.gt(0) : l.chosen))
  const off = wholeLessOf(counted, currency)
  const taxes = totals.taxes.flatMap((x) =>
    x.components.map((c) => ({ taxCodeId: x.taxCodeId, componentId: c.componentId, amount: c.amount })),
  )
  return [
    ...(isPositiveMoney(off) ? [{ name: t('offWhole'), amount: formatMoney(negateMoney(off)) }] : []),
    { name: t('net'), amount: formatMoney(totals.net) },
    ...(await readTaxSums(db, taxes)),
    {
      name: `${t('total')}, ${currency}`,
      amount: formatMoney(subtractMoney(totals.gross, sale.rateShift)),
      total: true,
    },
  ]
}

/** The estimate of a sale, or the confirmation of its order. */
export const paperOfSale = async (asked: Asked, kind: Kind, saleId: number): Promise<Paper | null> => {
  const facts = await readSaleFacts(asked, saleId)
  if (!facts) return null
  const { sale, lines } = facts.story
  const { currency, conditions } = asked.business
  const base = basics(facts)
  const t = paperWords(base.language)
  const accepted = [{ says: t('accept'), lines: [t('name'), `${t('date')}, ${t('signed')}`] }]
  return {
    kind,
    ...base,
    name: t(kind),
    number: String(sale.number),
    facts: factsOf(facts, kind, t),
    above: sale.noteAbove,
    rows: saleRows(lines, standingOf(facts, kind, t, currency), {
      language: base.language,
      rolledUp: sale.rolledUp,
      withSums: true,
      currency,
    }),
    sums: await sumsOf(asked, facts, kind, t),
    note: sale.note,
    conditions,
    ...(kind === 'estimate' ? { signatures: accepted } : {}),
  }
}
