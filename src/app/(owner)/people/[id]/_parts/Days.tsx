import { formatDigits } from '@/core/locale'
import { daysBetween, type Day } from '@/core/day'
import type { CustomerPage as Page } from '@/model/people/customers'
import { PayChart } from '@/ui/charts/PayChart'

/** How long they took to pay, one bar a due. */
export const Days = ({ page, today }: { readonly page: Page; readonly today: Day }) =>
  page.days &&
  page.paid.length > 1 && (
    <section>
      <h2>Days to pay</h2>
      <PayChart
        bars={[...page.paid]
          .reverse()
          .slice(-24)
          .map((p) => ({ on: p.paidOn, days: daysBetween(p.from, p.paidOn) }))}
        average={page.days.average}
        today={today}
      />
      <p className="sub">
        Average {formatDigits(page.days.average.toFixed(1))} days (weighted by amount), median{' '}
        {formatDigits(String(page.days.median))}
      </p>
    </section>
  )
