import { render, screen } from '@testing-library/react'
import { userEvent } from './hand'
import { useState, type ReactNode } from 'react'
import { afterEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { EN_US, localeOf, writeAs } from '@/core/locale'
import { HouseLocale } from '@/ui/HouseLocale'
import { DayField, MoneyField, QuantityField } from '@/ui/fields'

const TODAY = day('2026-03-02') // a Monday

const Money = ({ start = '' }: { readonly start?: string }) => {
  const [value, setValue] = useState(start)
  return (
    <>
      <MoneyField label="Amount" currency="USD" value={value} onValue={setValue} />
      <output>{value}</output>
      <button>next</button>
    </>
  )
}
const Quantity = () => {
  const [value, setValue] = useState('1')
  return (
    <>
      <QuantityField label="Amount" value={value} onValue={setValue} />
      <output>{value}</output>
      <button>next</button>
    </>
  )
}
const Dated = ({ start = TODAY as string }: { readonly start?: string }) => {
  const [value, setValue] = useState(start)
  return (
    <>
      <DayField label="On" today={TODAY} value={value} onValue={setValue} />
      <output>{value}</output>
    </>
  )
}
const typed = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const value = () => screen.getByRole('status').textContent

describe('an amount', () => {
  test.each([
    ['1250', '1250.00'],
    ['1,250.00', '1250.00'],
    ['12*45', '540.00'],
    ['450-10%', '405.00'],
    ['0.005', '0.01'], // half a cent goes up
  ])('typed as %s is %s', async (keys, amount) => {
    render(<Money />)
    await userEvent.type(typed('Amount'), keys)
    expect(value()).toBe(amount)
  })

  test('is read with thousands apart when it is left, and typed over when it is entered', async () => {
    render(<Money start="1250.00" />)
    expect(typed('Amount').value).toBe('1,250.00')
    await userEvent.click(typed('Amount'))
    await userEvent.keyboard('7')
    expect(value()).toBe('7.00')
  })

  test('that is none says so when it is left, keeps what was typed, and is silent while typing', async () => {
    render(<Money />)
    await userEvent.type(typed('Amount'), 'much')
    expect(typed('Amount').getAttribute('aria-invalid')).toBeNull()
    await userEvent.tab()
    expect(typed('Amount').getAttribute('aria-invalid')).toBe('true')
    expect(typed('Amount').value).toBe('much')
    expect(screen.getByText('Write an amount, such as 412.50.')).toBeTruthy()
  })
})

describe('a quantity', () => {
  test.each([
    ['2.5', '2.5'],
    ['1/3', '0.3333'], // four places
    ['3*4', '12'],
  ])('typed as %s is %s', async (keys, quantity) => {
    render(<Quantity />)
    await userEvent.clear(typed('Amount'))
    await userEvent.type(typed('Amount'), keys)
    expect(value()).toBe(quantity)
  })
})

describe('a day', () => {
  test.each([
    ['t', '2026-03-02'],
    ['+30', '2026-04-01'],
    ['4/24', '2026-04-24'],
    ['24 4', '2026-04-24'], // no month is the 24th
    ['24 12', '2025-12-24'], // the nearest one: 68 days ago, not 297 ahead
    ['eom', '2026-03-31'],
    ['fri', '2026-03-06'],
  ])('typed as %s is %s, and what it means stands under it', async (keys, meant) => {
    render(<Dated start="" />)
    await userEvent.type(typed('On'), keys)
    expect(value()).toBe(meant)
    expect(screen.getByText(/^means /)).toBeTruthy()
  })
})

describe('where the business writes a comma before cents and the day before the month', () => {
  afterEach(() => writeAs(EN_US))
  const inGermany = (field: ReactNode) => render(<HouseLocale locale={localeOf('de-DE')}>{field}</HouseLocale>)

  test('an amount is read and typed so, and kept as it always is', async () => {
    inGermany(<Money start="1250.00" />)
    expect(typed('Amount').value).toBe('1.250,00')
    await userEvent.click(typed('Amount'))
    expect(typed('Amount').value).toBe('1250,00')
    await userEvent.keyboard('2.412,5')
    expect(value()).toBe('2412.50')
    await userEvent.click(screen.getByRole('button', { name: 'next' }))
    expect(typed('Amount').value).toBe('2.412,50')
  })

  test('a quantity too', async () => {
    inGermany(<Quantity />)
    await userEvent.clear(typed('Amount'))
    await userEvent.type(typed('Amount'), '1,5')
    expect(value()).toBe('1.5')
    await userEvent.click(screen.getByRole('button', { name: 'next' }))
    expect(typed('Amount').value).toBe('1,5')
  })

  test('a date of two numbers is the day and the month', async () => {
    inGermany(<Dated />)
    await userEvent.clear(typed('On'))
    await userEvent.type(typed('On'), '4/5')
    expect(value()).toBe('2026-05-04')
  })
})
