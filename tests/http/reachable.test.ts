import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { OPERATIONS } from '@/api/operations'

/** What screens are written with, and what they send. */
const screens = ['src/ui', 'src/app'].flatMap((root) =>
  readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name))
    .map((name) => readFileSync(join(root, name), 'utf8')),
)
const all = screens.join('\n')

/** Calls whose address is put together of parts, or that no screen needs, and why. */
const OTHERWISE: Readonly<Record<string, string>> = {
  'POST /setup': 'sent by the page that sets up, at /api/v1/setup',
  'POST /repeats/run': 'what comes again is written by the clock',
  'POST /goods/{id}/assemble': 'ui/goods/AssembleKits, by its way',
  'POST /goods/{id}/take-apart': 'ui/goods/AssembleKits, by its way',
  'POST /sales/{id}/decline': 'ui/sale/panels/Close',
  'POST /sales/{id}/cancel': 'ui/sale/panels/Close',
  'POST /invoices/{id}/issue': 'ui/sale/InvoiceActions, by what is pressed',
  'POST /goods-received/{id}/undo': 'ui/buying/takenBack, by its kind',
  'POST /bills/{id}/void': 'ui/buying/takenBack, by its kind',
  'POST /supplier-credits/{id}/void': 'ui/buying/takenBack, by its kind',
  'POST /supplier-payments/{id}/void': 'ui/buying/takenBack, by its kind',
  'POST /set-offs/{id}/void': 'ui/buying/takenBack, by its kind',
  'POST /supplier-refunds/{id}/void': 'ui/buying/takenBack, by its kind',
  'POST /landed-costs/{id}/void': 'ui/buying/takenBack, by its kind',
}

/** An address as a screen writes it: `/places/${p.id}` for `/places/{id}`. */
const asWritten = (path: string): RegExp =>
  new RegExp(`${path.replace(/[/-]/g, '\\$&').replace(/\{\w+\}/g, '\\$\\{[^}]*\\}')}[\`'"?]`)

test('what can be done over HTTP can be done on a screen', () => {
  const changing = OPERATIONS.filter((o) => o.method !== 'GET').map(({ method, path }) => ({
    name: `${method} ${path}`,
    path,
  }))
  const unseen = changing.filter(({ name, path }) => !(name in OTHERWISE) && !asWritten(path).test(all))
  expect(unseen.map((o) => o.name)).toEqual([])
  expect(Object.keys(OTHERWISE).filter((name) => !changing.some((o) => o.name === name))).toEqual([])
})
