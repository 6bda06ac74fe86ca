import { compareDays, type Day, formatDayShort } from '@/core/day'
import { isPositiveMoney, type Money } from '@/core/money'
import { nameOfDue } from '@/core/receipt'
import type { Sheet } from './sheet'
import type { Story } from './story'

/** What comes next by itself: dues, days named, payments of a layaway. */
export const plannedOf = (story: Story, today: Day): Sheet['planned'] => {
  const planned: { on: Day; text: string; amount: Money | null }[] = []
  const { sale } = story
  if (story.stands === 'offered' && sale.validUntil)
    planned.push({ on: sale.validUntil, text: 'Estimate expires', amount: null })
  if (story.stands === 'agreed') {
    if (sale.wantedBy) planned.push({ on: sale.wantedBy, text: 'Needed by', amount: null })
    if (isPositiveMoney(story.notBilled) && !story.layaway)
      planned.push({ on: sale.wantedBy ?? today, text: 'To be invoiced', amount: story.notBilled })
  }
  for (const d of story.dues)
    if (isPositiveMoney(d.open))
      planned.push({
        on: d.dueOn,
        text:
          d.planId === null
            ? `${nameOfDue(d)} ${d.dueOn < today ? 'was due' : 'due'} ${formatDayShort(d.dueOn, today)}`
            : `${d.label}${d.dueOn < today ? ', late' : ''}`,
        amount: d.open,
      })
  if (story.layaway && story.stands === 'agreed')
    for (const row of story.layaway.standing.rows)
      // What was paid ahead is not asked for again.
      if (isPositiveMoney(row.open))
        planned.push({
          on: row.due,
          text: `Layaway payment${row.due < today ? ', not paid yet' : ''}`,
          amount: row.open,
        })
  return planned.sort((a, b) => compareDays(a.on, b.on))
}
