import { formatPercent } from '@/core/locale'
import { present } from '@/core/present'
import { LAYAWAY_NAMES } from '@/core/names'
import { discountOn, nameOfDue } from '@/core/receipt'
import { formatDay, formatDayShort } from '@/core/day'
import { decimal, formatMoney, isPositiveMoney, subtractMoney, sumMoney } from '@/core/money'
import type { Sheet } from '@/model/sale/sheet'
import { Figure } from '../Figure'
import { LedgerHead, right } from '@/ui/LedgerHead'

const STANDS_COLOUR: Readonly<Record<string, string>> = {
  behind: 'text-oxide-700',
  'paid up': 'text-patina-700',
}

/** What was promised, where anything is: the schedule of a layaway or a plan, the dues with their parts. */
export const PromiseSection = ({ sheet }: { readonly sheet: Sheet }) => {
  const { story } = sheet
  const several = story.dues.length > 1 || story.plans.length > 0
  const discounts = story.dues.filter((d) => isPositiveMoney(d.open) && discountOn(d, sheet.today))
  const isEmpty = !story.layaway && !several && discounts.length === 0
  return isEmpty ? null : (
    <section aria-label="Payment terms">
      <h2>{TITLES[story.arrangement.kind]}</h2>
      {story.layaway && <LayawayRows sheet={sheet} />}
      {several && <DueRows sheet={sheet} />}
      {discounts.map((d) => (
        <p key={d.id} className="mt-2">
          Pay {formatMoney(subtractMoney(d.open, d.discount))} by {formatDay(present(d.discountUntil))} to settle{' '}
          {nameOfDue(d)}: the {formatMoney(d.discount)} discount is applied automatically.
        </p>
      ))}
    </section>
  )
}

const TITLES = {
  now: 'Payment terms',
  terms: 'Payment terms',
  deposit: 'Deposit',
  layaway: 'Layaway',
  installments: 'Payment plan',
} as const

const LayawayRows = ({ sheet }: { readonly sheet: Sheet }) => {
  const { story, today } = sheet
  const { standing } = present(story.layaway)
  return (
    <>
      <p className={`mb-2 font-bold ${STANDS_COLOUR[standing.stands] ?? ''}`}>
        {LAYAWAY_NAMES[standing.stands]}
        {isPositiveMoney(standing.behind) &&
          ` by ${formatMoney(standing.behind)} since ${formatDay(present(standing.behindSince))}`}
        {standing.stands === 'paying in' && `, ${formatMoney(standing.left)} left to pay`}
      </p>
      <table className="ledger max-w-155">
        <LedgerHead heads={['Due', right('Payment'), right('Received'), right('Still due')]} />
        <tbody>
          {standing.rows.map((r, i) => {
            const late = isPositiveMoney(r.open) && r.due < today
            return (
              <tr key={i} className={isPositiveMoney(r.open) ? '' : 'text-iron-500'}>
                <td className={late ? 'text-oxide-700' : ''}>
                  {formatDayShort(r.due, today)}
                  {late && ', late'}
                </td>
                <td className="fig">{formatMoney(r.payment)}</td>
                <td className="fig">{isPositiveMoney(r.came) ? formatMoney(r.came) : ''}</td>
                <td className="fig">{isPositiveMoney(r.open) ? formatMoney(r.open) : ''}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}

/** Every due of the sale: rows of plans with their charge, parts of bills, charges of their own. */
const DueRows = ({ sheet }: { readonly sheet: Sheet }) => {
  const { story, today } = sheet
  const ended = story.plans.filter((p) => p.endedOn !== null)
  const live = story.dues.filter((d) => !ended.some((p) => p.id === d.planId))
  const charged = live.some((d) => isPositiveMoney(d.charge))
  const sum = (pick: (d: (typeof live)[number]) => typeof story.open) => sumMoney(live.map(pick), story.open.currency)
  return (
    <>
      {story.plans.map((p) => (
        <p key={p.id} className="sub mb-1">
          Payment plan {p.number}, started {formatDay(p.startedOn)}: {formatMoney(p.financed)} financed
          {isPositiveMoney(p.charge) &&
            `, ${formatMoney(p.charge)} finance charge, ${formatPercent(decimal(p.yearlyRate).times(100).toFixed(2))} a year`}
          {p.endedOn && `; ${p.endedAs} on ${formatDay(p.endedOn)}`}
          {p.card && !p.endedOn && `; charged to the card ending ${p.card.slice(-4)}`}
        </p>
      ))}
      <table className="ledger">
        <LedgerHead
          heads={['Due', 'Details', right('Amount'), charged && right('Finance charge'), right('Balance due')]}
        />
        <tbody>
          {live.map((d) => {
            const late = isPositiveMoney(d.open) && d.dueOn < today
            return (
              <tr key={d.id} className={isPositiveMoney(d.open) ? '' : 'text-iron-500'}>
                <td className={`whitespace-nowrap ${late ? 'text-oxide-700' : ''}`}>
                  {formatDayShort(d.dueOn, today)}
                  {late && ', late'}
                </td>
                <td>{nameOfDue(d)}</td>
                <td className="r">
                  <Figure of={d.amount} />
                </td>
                {charged && (
                  <td className="r">
                    <Figure of={d.charge} blankZero />
                  </td>
                )}
                <td className="r">
                  <Figure of={d.open} blankZero />
                </td>
              </tr>
            )
          })}
        </tbody>
        <tbody>
          <tr className="total">
            <td />
            <td className="r">Total</td>
            <td className="fig">{formatMoney(sum((d) => d.amount))}</td>
            {charged && <td className="fig">{formatMoney(sum((d) => d.charge))}</td>}
            <td className="fig">{formatMoney(sum((d) => d.open))}</td>
          </tr>
        </tbody>
      </table>
    </>
  )
}
