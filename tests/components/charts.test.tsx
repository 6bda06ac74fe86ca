import { render, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { addDays, day } from '@/core/day'
import { EN_US, localeOf, writeAs } from '@/core/locale'
import { money } from '@/core/money'
import { WeekChart } from '@/ui/charts/WeekChart'
import { HouseLocale } from '@/ui/HouseLocale'

const today = day('2026-03-10')
afterEach(() => writeAs(EN_US))

test.each([
  ['en-US', '18,013', '250'],
  ['de-DE', '18.013', '250'],
  ['de-CH', '18’013', '250'],
])('what falls due in a week is labelled in whole amounts as %s writes them', (locale, first, second) => {
  const weeks = [1_801_250n, 25_000n, 0n].map((minor, n) => ({
    week: addDays(today, 7 * n),
    amount: money(minor, 'USD'),
  }))
  const { container } = render(
    <HouseLocale locale={localeOf(locale)}>
      <WeekChart weeks={weeks} today={today} />
    </HouseLocale>,
  )
  const labels = [...container.querySelectorAll('text[font-family="var(--font-figure)"]')].map((t) => t.textContent)
  expect(labels).toEqual([first, second])
  // The whole figure is read out.
  expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/18.012.50/)
})
