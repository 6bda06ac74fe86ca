import { To } from '@/ui/To'
import { formatDay, type Day } from '@/core/day'
import { formatMoney, type Money } from '@/core/money'
import { QuickLine } from './QuickLine'

interface Props {
  readonly name: string
  readonly flags: {
    readonly inToday: Money
    readonly held: Money
    readonly owed: Money
    readonly late: Money
  }
  readonly today: Day
  readonly currency: string
}

/**
 * The iron band: whose business, the quick line, and the four flags. Their figures are never cut: where there is no room beside the line
 * they stand below it. On paper it is the business and the day.
 */
export const Band = ({ name, flags, today, currency }: Props) => {
  const plates = [
    {
      label: 'Received today',
      says: 'Money received today, by any method.',
      amount: flags.inToday,
      edge: 'border-t-patina-700',
      href: `/receipts?on=${today}`,
    },
    {
      label: 'Held',
      says: 'Money customers paid in advance. It is theirs until you invoice it.',
      amount: flags.held,
      edge: 'border-t-brass-400',
      href: '/owed?show=held',
    },
    {
      label: 'Owed',
      says: 'All unpaid invoices, late or not.',
      amount: flags.owed,
      edge: 'border-t-slate-400',
      href: '/owed',
    },
    {
      label: 'Late',
      says: 'Unpaid amounts past their due date.',
      amount: flags.late,
      edge: 'border-t-oxide-700',
      href: '/owed?show=late',
    },
  ]
  return (
    <>
      <p className="sub hidden print:block">
        {name} · {formatDay(today)}
      </p>
      <header className="no-print flex min-h-15 flex-wrap items-stretch gap-x-5 bg-iron-900 px-4 text-paper-100 md:pl-5">
        <To href="/today" className="flex w-28 items-center font-slab text-lg leading-[1.05] font-semibold">
          <span className="line-clamp-2">{name}</span>
        </To>
        <QuickLine currency={currency} />
        <nav
          aria-label="Key figures"
          className="ml-auto flex flex-none items-end gap-2 max-md:w-full max-md:flex-wrap max-md:gap-1.5 max-md:pt-1"
        >
          {plates.map((p) => (
            <To
              key={p.label}
              href={p.href}
              title={p.says}
              className={`block min-w-26 rounded-t-sm border-t-4 bg-paper-50 px-3 pt-1 pb-0.75 text-iron-900 max-md:min-w-0 max-md:flex-auto max-md:px-1.25 max-md:whitespace-nowrap max-[24rem]:basis-2/5 ${p.edge}`}
            >
              <span className="block text-xs text-iron-500">{p.label}</span>
              <span className="fig block text-[17px] leading-tight font-bold max-md:text-xs">
                {formatMoney(p.amount)}
              </span>
            </To>
          ))}
        </nav>
      </header>
    </>
  )
}
