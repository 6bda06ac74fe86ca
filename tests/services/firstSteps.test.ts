import { expect, test } from 'vitest'
import { day } from '@/core/day'
import { findBusiness, updateBusiness } from '@/data/queries/business'
import { readFirstSteps } from '@/model/today/firstSteps'
import { changeSettings } from '@/services/access/changeSettings'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { writeEntry } from '@/services/books/writeEntry'
import { addGoods } from '@/services/goods/keepGoods'
import { startSale } from '@/services/sales/startSale'
import { freshDatabase, openTestShop } from './shop'

const present = <T>(x: T | null): T => x!

test('a new business has five first steps, each done by itself when its fact is there', async () => {
  const { db, url } = await freshDatabase()
  const till = { db, url, today: day('2026-03-01') }
  const steps = async () => readFirstSteps(db, present(await findBusiness(db)))
  await setUpBusiness(till, { name: 'New', currency: 'USD', passphrase: 'a long passphrase' })
  expect(present(await findBusiness(db)).kinds).toEqual(['sales'])
  expect(await steps()).toEqual(['business', 'goods', 'opening', 'sale', 'backup'])
  await changeSettings.answer(till, { address: '7 Mill Lane' }, null)
  expect(await steps()).toContain('business')
  await changeSettings.answer(till, { taxNumber: '12' }, null)
  await addGoods.answer(till, { code: 'A', name: 'A', kind: 'work', price: '10.00' }, null)
  expect(await steps()).toEqual(['opening', 'sale', 'backup'])
  await startSale.answer(till, { customerId: 1, lines: [{ description: 'A', quantity: '1', unitPrice: '1.00' }] }, null)
  await updateBusiness(db, { exportedOn: till.today })
  expect(await steps()).toEqual(['opening'])
  await writeEntry.answer(
    till,
    {
      text: 'Bank on the first day',
      lines: [
        { account: '1010', debit: '100.00' },
        { account: '3900', credit: '100.00' },
      ],
    } as never,
    null,
  )
  expect(await steps()).toEqual([])
})

test('a step that is left out is not asked for again, and one that is none is refused', async () => {
  const s = await openTestShop()
  await s.run(changeSettings, { stepsSkipped: ['opening', 'backup', 'business', 'sale'] })
  expect(await readFirstSteps(s.db, present(await findBusiness(s.db)))).toEqual([])
  expect(await s.refusal(changeSettings, { stepsSkipped: ['dance'] })).toBe('invalid')
})
