import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import * as bank from './bank'
import * as browser from './browserName'
import * as cells from './cells'
import * as day from './day'
import * as einvoice from './einvoice'
import * as formats from './formats'
import * as ledger from './ledger'
import * as locale from './locale'
import * as money from './money'
import * as names from './names'
import * as parcel from './parcel'
import * as people from './people'
import * as plain from './plainText'
import * as plan from './plan'
import * as price from './price'
import * as quickline from './quickline'
import * as receipt from './receipt'
import * as receivables from './receivables'
import * as running from './running'
import * as sale from './sale'
import * as stock from './stock'
import * as tax from './tax'

/** Amounts as a docstring writes them: `usd('12.05')`. */
const amountIn = (currency: string) => (text: string) => money.roundToMoney(money.decimal(text), currency)
const KNOWN: Readonly<Record<string, unknown>> = {
  ...bank,
  ...browser,
  ...cells,
  ...day,
  ...formats,
  ...ledger,
  ...locale,
  ...money,
  ...names,
  ...einvoice,
  ...parcel,
  ...people,
  ...plain,
  ...plan,
  ...price,
  ...quickline,
  ...receipt,
  ...receivables,
  ...running,
  ...sale,
  ...stock,
  ...tax,
  usd: amountIn('USD'),
  chf: amountIn('CHF'),
}

/** A value as a docstring tells it. */
const tell = (value: unknown): string => {
  if (value === null || value === undefined) return 'none'
  if (Array.isArray(value)) return value.map(tell).join(', ')
  if (value instanceof money.Decimal) return value.toString()
  if (typeof value !== 'object') return String(value)
  if ('minor' in value) return money.toDecimalString(value as money.Money)
  if ('ok' in value) {
    const result = value as unknown as { ok: boolean; value?: unknown; error?: { code?: string } }
    return result.ok ? tell(result.value) : `refused: ${result.error?.code ?? tell(result.error)}`
  }
  return Object.entries(value)
    .map(([name, v]) => `${name} ${tell(v)}`)
    .join(', ')
}

const walk = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    return statSync(path).isDirectory() ? walk(path) : [path]
  })

/** Examples of docstrings that can be run: an expression, and after `//` what it comes to. */
const examples = walk(import.meta.dirname)
  .filter((path) => path.endsWith('.ts') && !path.endsWith('.test.ts'))
  .flatMap((path) =>
    [...readFileSync(path, 'utf8').matchAll(/^ \* @example (.+) \/\/ (.+)$/gm)].map(
      ([, expression = '', result = '']) => [path.slice(import.meta.dirname.length + 1), expression, result] as const,
    ),
  )

describe('the examples of the docstrings are true', () => {
  test('and there are many of them', () => expect(examples.length).toBeGreaterThan(70))
  test.each(examples)('%s: %s is %s', (_, expression, result) => {
    const run = new Function(...Object.keys(KNOWN), `return (${expression})`) as (...known: unknown[]) => unknown
    expect(tell(run(...Object.values(KNOWN)))).toBe(result)
  })
})
