import { render, screen, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { STATUS_NAMES } from '@/core/names'
import { decimal, money } from '@/core/money'
import { moneyBar, STANDS, type TrailLine } from '@/core/sale'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'
import { MoneyBar, MoneyLegend } from '@/ui/MoneyBar'
import { Stamp } from '@/ui/Stamp'
import { Ticks } from '@/ui/Ticks'
import { TotalRow } from '@/ui/TotalRow'
import { Trail } from '@/ui/Trail'
import { BestAndWorst } from '@/ui/sale/BestAndWorst'
import { rowsOf } from './hands'

const usd = (minor: bigint) => money(minor, 'USD')
const TODAY = day('2026-03-02')

describe('where the money stands', () => {
  const bar = moneyBar({
    total: usd(100_000n),
    billed: usd(60_000n),
    open: usd(25_000n),
    late: usd(10_000n),
    held: usd(15_000n),
  })

  test('is drawn in proportion and said in words', () => {
    render(<MoneyBar bar={bar} />)
    const img = screen.getByRole('img')
    expect(img.getAttribute('aria-label')).toBe(
      'Payment progress: Paid 350.00, Held 150.00, Invoiced, not due 150.00, Late 100.00, Not invoiced yet 250.00',
    )
    expect([...img.children].map((c) => (c as HTMLElement).style.width)).toEqual(['35%', '15%', '15%', '10%', '25%'])
  })

  test('leaves out what is nothing, and says so where all of it is', () => {
    const none = usd(0n)
    render(<MoneyBar bar={moneyBar({ total: none, billed: none, open: none, late: none, held: none })} />)
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Payment progress: No amounts yet')
    expect(screen.getByRole('img').children).toHaveLength(0)
  })

  test('has a legend that adds up, and tells what is held beyond what will be billed', () => {
    render(
      <MoneyLegend
        bar={moneyBar({ total: usd(10_000n), billed: usd(0n), open: usd(0n), late: usd(0n), held: usd(12_000n) })}
      />,
    )
    const figures = [...document.querySelectorAll('dd')].map((d) => Number(d.textContent))
    expect(figures.slice(0, -1).reduce((a, b) => a + b, 0)).toBe(figures.at(-1))
    expect(screen.getByText(/20.00 more is held than is left to invoice/)).toBeTruthy()
  })
})

describe('the progress of a line', () => {
  test.each([
    ['4', '2', '1', ['100%', '50%', '25%']],
    ['4', '6', '0', ['100%', '100%', '0%']], // more than agreed fills it, and no more
    ['0', '0', '0', ['0%', '0%', '0%']],
  ])('of %s agreed, %s gone, %s billed', (agreed, gone, billed, widths) => {
    render(<Ticks agreed={decimal(agreed)} handedOver={decimal(gone)} billed={decimal(billed)} />)
    const img = screen.getByRole('img')
    expect(img.getAttribute('aria-label')).toBe(`ordered ${agreed}, handed over ${gone}, invoiced ${billed}`)
    expect([...img.children].map((c) => (c.firstChild as HTMLElement).style.width)).toEqual(widths)
  })
})

describe('the trail of a sale', () => {
  const line = (seq: number, change: Partial<TrailLine>): TrailLine => ({
    on: day('2026-02-01'),
    seq,
    text: '',
    paper: null,
    amount: null,
    owes: null,
    balance: usd(0n),
    ...change,
  })

  test('tells what happened with what was owed after it, and what is planned', () => {
    render(
      <Trail
        today={TODAY}
        lines={[
          line(1, { text: 'Agreed', on: day('2025-12-30') }),
          line(2, {
            text: 'Receipt R-1, cash',
            paper: { kind: 'receipt', id: 5 },
            amount: usd(2000n),
            owes: usd(-2000n),
            balance: usd(-2000n),
          }),
          line(3, {
            text: 'Invoice I-1',
            paper: { kind: 'invoice', id: 9 },
            amount: usd(10_800n),
            owes: usd(10_800n),
            balance: usd(8800n),
          }),
          line(4, {
            text: 'Refund F-1, cash',
            amount: usd(100n),
            owes: usd(0n),
            balance: usd(0n),
            undo: { kind: 'refund', id: 2 },
          }),
        ]}
        planned={[{ on: day('2026-04-01'), text: 'Invoice I-1 due 1 Apr', amount: usd(8800n) }]}
      />,
    )
    expect(rowsOf(screen.getByRole('table'))).toEqual([
      'Date | Details | Amount | Balance',
      '30 Dec 2025 | Agreed |  | ',
      '1 Feb | Receipt R-1, cash | 20.00 | 20.00 held',
      '1 Feb | Invoice I-1 | 108.00 | 88.00',
      '1 Feb | Refund F-1, cashtake back | 1.00 | –',
      'today, 2 Mar',
      '1 Apr | Invoice I-1 due 1 Apr | 88.00 | ',
    ])
    expect(screen.getByText('Invoice I-1').getAttribute('href')).toBe('/invoices/9')
    expect(screen.getByText('Receipt R-1, cash').getAttribute('href')).toBe('/receipts/5')
  })
})

describe('small parts', () => {
  test.each(STANDS)('a sale that is %s wears it as a stamp', (stands) => {
    render(<Stamp stands={stands} owes />)
    expect(screen.getByText(STATUS_NAMES[stands]).className).toContain('stamp')
  })
  test('a sale that is paid, with money of the customer left, says that a refund is due', () => {
    render(<Stamp stands="owing" owes={false} />)
    expect(screen.getByText('Refund due')).toBeTruthy()
  })

  test('heads of a small table: figures at the right, some only read out, some not there', () => {
    render(
      <table>
        <LedgerHead heads={['What', right('Amount', 'w-8'), unseen('Remove'), false]} />
      </table>,
    )
    const heads = screen.getAllByRole('columnheader')
    expect(heads.map((h) => [h.textContent, h.className])).toEqual([
      ['What', ''],
      ['Amount', 'r w-8'],
      ['Remove', ''],
    ])
    expect(heads[2]!.querySelector('.sr-only')).toBeTruthy()
  })

  test('a total stands under its line, its parts do not', () => {
    render(
      <table>
        <tbody>
          <TotalRow name="net" of={usd(10_000n)} span={4} />
          <TotalRow name="total" of={usd(10_800n)} span={4} after={1} last />
        </tbody>
      </table>,
    )
    const [net, total] = screen.getAllByRole('row')
    expect([net!.className, total!.className]).toEqual(['', 'total'])
    expect(rowsOf(screen.getByRole('table'))).toEqual(['net | 100.00', 'total | 108.00 | '])
    expect([...total!.children].map((c) => c.getAttribute('colspan'))).toEqual(['4', null, '1'])
  })
})

describe('what earned most and least', () => {
  const earner = (n: number) => ({ name: `Sale ${n}`, href: `/sales/${n}`, profit: usd(BigInt(n) * 1000n) })
  const shown = (n: number) => {
    const figures = screen.getAllByRole('figure')
    return within(figures[n]!)
      .getAllByRole('link')
      .map((a) => a.textContent)
  }

  test('are ten of each, none of them twice; what was lost is drawn to the other side', () => {
    render(<BestAndWorst all={Array.from({ length: 25 }, (_, i) => earner(i - 3))} />)
    expect(shown(0)).toEqual(Array.from({ length: 10 }, (_, i) => `Sale ${21 - i}`))
    expect(shown(1)).toEqual(Array.from({ length: 10 }, (_, i) => `Sale ${i - 3}`))
    const [lost] = within(screen.getAllByRole('figure')[1]!).getAllByText('−30.00')
    const bar = lost!.parentElement!.querySelector('rect')!
    // From −30.00 to 210.00: nothing stands at an eighth, and what was lost is left of it.
    expect([Number(bar.getAttribute('x')), Number(bar.getAttribute('width'))]).toEqual([0, 12.5])
  })

  test('of few are all once, of one nothing', () => {
    const { unmount } = render(<BestAndWorst all={[earner(1), earner(2), earner(3)]} />)
    expect(screen.getAllByRole('figure')).toHaveLength(1)
    expect(shown(0)).toEqual(['Sale 3', 'Sale 2', 'Sale 1'])
    unmount()
    render(<BestAndWorst all={[earner(1)]} />)
    expect(screen.queryByRole('figure')).toBeNull()
  })
})
