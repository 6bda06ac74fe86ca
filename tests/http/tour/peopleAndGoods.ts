import { describe, expect, test } from 'vitest'
import type { Made, Tour } from './desk'

const csv = (text: string): string => Buffer.from(text).toString('base64')
/** The smallest picture that is one: a PNG by its first bytes. */
const PNG = Buffer.from('89504e470d0a1a0a00', 'hex').toString('base64')

export const peopleAndGoods = (open: () => Tour, made: Made): void => {
  describe('customers', () => {
    test('are added, found, changed and read', async () => {
      const tour = open()
      const hazel = await tour.does('POST /customers', {
        body: {
          name: 'Hazel Adair',
          email: 'hazel@mail.example',
          phone: '555 0101',
          terms: { net: 30 },
          tags: ['quartet'],
          addresses: [{ kind: 'deliver-to', text: '3 Bell Street', isDefault: true }],
          contacts: [{ name: 'Wren Adair', role: 'accounts' }],
        },
      })
      made.customer = hazel.id
      expect(hazel).toMatchObject({ owed: '0.00', held: '0.00', late: '0.00', committed: '0.00', creditLimit: null })
      expect(hazel.addresses).toMatchObject([{ kind: 'deliver-to', text: '3 Bell Street', isDefault: true }])
      expect(hazel.contacts).toMatchObject([{ name: 'Wren Adair', role: 'accounts' }])
      const changed = await tour.does('PATCH /customers/{id}', { id: hazel.id, body: { creditLimit: '5000.00' } })
      expect(changed).toMatchObject({ name: 'Hazel Adair', creditLimit: '5000.00', tags: ['quartet'] })
      const found = await tour.does('GET /customers', { query: { search: 'adair' } })
      expect(found.items.map((c: { id: number }) => c.id)).toEqual([hazel.id])
      expect(await tour.does('GET /customers/{id}', { id: hazel.id })).toEqual(changed)
    })

    test('who are the same person are seen to be, and joined: what one had, the other has', async () => {
      const tour = open()
      const again = await tour.does('POST /customers', { body: { name: 'Hazel Adaire', email: 'hazel@mail.example' } })
      const alike = await tour.does('GET /customers/look-alikes', {
        query: { name: 'Hazel Adair', email: 'hazel@mail.example', except: made.customer },
      })
      expect(alike.items).toMatchObject([{ id: again.id }])
      const whole = await tour.does('POST /customers/{id}/join', { id: made.customer, body: { goneId: again.id } })
      expect(whole).toMatchObject({ id: made.customer, name: 'Hazel Adair', joinedToId: null })
      expect(await tour.does('GET /customers/{id}', { id: again.id })).toMatchObject({ joinedToId: made.customer })
      const twice = await tour.refuses('POST /customers/{id}/join', { id: made.customer, body: { goneId: again.id } })
      expect(twice.status).toBe(409)
    })

    test('without a name are refused at the field', async () => {
      const tour = open()
      const refused = await tour.refuses('POST /customers', { body: { name: ' ', email: 'no address' } })
      expect(refused.errors.map((e: { path: string }) => e.path)).toEqual(['name', 'email'])
      made.second = (await tour.does('POST /customers', { body: { name: 'Mill Road School', kind: 'school' } })).id
    })
  })

  describe('goods', () => {
    test('have levels of price, areas of tax, and suppliers', async () => {
      const tour = open()
      const level = await tour.does('POST /price-levels', {
        body: { code: 'SCHOOL', name: 'Schools', percentOff: '10' },
      })
      await tour.does('PATCH /price-levels/{id}', { id: level.id, body: { percentOff: '20' } })
      expect((await tour.does('GET /price-levels')).items).toMatchObject([{ code: 'SCHOOL', percentOff: '20' }])
      await tour.does('POST /tax-areas', { body: { code: 'OUT', name: 'Out of state', taxCode: 'ZERO' } })
      const [area] = (await tour.does('GET /tax-areas')).items as { id: number }[]
      expect(
        await tour.does('PATCH /tax-areas/{id}', { id: area!.id, body: { name: 'Beyond the state' } }),
      ).toMatchObject({ code: 'OUT', name: 'Beyond the state', taxCode: 'ZERO' })
      expect((await tour.does('GET /tax-areas')).items).toMatchObject([{ code: 'OUT', taxCode: 'ZERO' }])
      const slip = await tour.does('POST /price-levels', { body: { code: 'SLIP', name: 'A slip' } })
      await tour.does('DELETE /price-levels/{id}', { id: slip.id })
      const nowhere = await tour.does('POST /tax-areas', { body: { code: 'NO', name: 'Nowhere', taxCode: 'ZERO' } })
      await tour.does('DELETE /tax-areas/{id}', { id: nowhere.id })
      await tour.does('POST /suppliers', { body: { name: 'Gutwerk Strings' } })
      expect((await tour.does('GET /suppliers', { query: { search: 'gut' } })).items).toMatchObject([
        { name: 'Gutwerk Strings' },
      ])
      await tour.does('PATCH /customers/{id}', { id: made.second, body: { priceLevel: 'SCHOOL' } })
    })

    test('are added, changed, priced for somebody, and counted onto the shelf', async () => {
      const tour = open()
      const violin = await tour.does('POST /goods', {
        body: { code: 'VN', name: 'Violin', kind: 'stock', price: '1000.00', reorderAt: '2' },
      })
      const rosin = await tour.does('POST /goods', {
        body: { code: 'RO', name: 'Rosin', kind: 'stock', price: '12.50', suppliers: [{ name: 'Gutwerk Strings' }] },
      })
      const work = await tour.does('POST /goods', {
        body: { code: 'WO', name: 'Set-up', kind: 'work', price: '72.00' },
      })
      Object.assign(made, { violin: violin.id, rosin: rosin.id, work: work.id })
      await tour.does('PATCH /goods/{id}', { id: rosin.id, body: { price: '12.00' } })
      const price = await tour.does('GET /prices', { query: { goodsId: rosin.id, customerId: made.second } })
      // 12.00 less a fifth for schools.
      expect(price).toMatchObject({ price: '9.6', from: expect.stringContaining('Schools') })
      // Work lies on no shelf.
      expect(await tour.does('GET /prices', { query: { goodsId: work.id } })).toMatchObject({ available: null })
      const count = await tour.does('POST /stock-counts', {
        body: {
          on: '2026-01-01',
          lines: [
            { goodsId: violin.id, counted: '5', unitCost: '600.00' },
            { goodsId: rosin.id, counted: '20', unitCost: '6.00' },
          ],
        },
      })
      // 5 × 600.00 and 20 × 6.00
      expect(count).toMatchObject({ value: '3120.00', lines: [{ value: '3000.00' }, { value: '120.00' }] })
      expect(await tour.does('GET /goods/{id}', { id: violin.id })).toMatchObject({
        onHand: '5',
        available: '5',
        setAside: '0',
        unitCost: '600',
      })
      const low = await tour.does('GET /goods', { query: { low: 'true' } })
      expect(low.items).toEqual([])
    })

    test('made of other goods are as many as the scarcest part allows', async () => {
      const tour = open()
      const kit = await tour.does('POST /goods', {
        body: {
          code: 'OUTFIT',
          name: 'Violin outfit',
          kind: 'kit',
          price: '1020.00',
          parts: [
            { goodsId: made.violin, quantity: '1' },
            { goodsId: made.rosin, quantity: '3' },
          ],
        },
      })
      // 5 violins would do for 5; 20 rosin for 6.
      expect(kit).toMatchObject({ available: '5', unitCost: '618' })
    })

    test('come from a file: looked at, then written, what is wrong left out', async () => {
      const tour = open()
      const base64 = csv('code,name,kind,price\nST,String A,stock,9.90\nBAD,Without price,stock,\n')
      const look = await tour.does('POST /goods/import', { body: { base64, mode: 'look' } })
      expect(look).toMatchObject({ rows: 2, added: 1, changed: 0, written: false, problems: [{ row: 3, code: 'BAD' }] })
      const written = await tour.does('POST /goods/import', { body: { base64, mode: 'good' } })
      expect(written).toMatchObject({ added: 1, written: true })
      expect((await tour.does('GET /goods', { query: { search: 'String A' } })).items).toMatchObject([
        { code: 'ST', price: '9.9' },
      ])
    })

    test('keep pictures until they are thrown away', async () => {
      const tour = open()
      const about = { ownerKind: 'goods', ownerId: made.violin }
      const file = await tour.does('POST /files', { body: { ...about, name: 'front.png', base64: PNG } })
      expect(file).toMatchObject({ name: 'front.png', type: 'image/png', size: 9 })
      expect((await tour.does('GET /files', { query: about })).items).toMatchObject([{ id: file.id }])
      await tour.does('DELETE /files/{id}', { id: file.id })
      expect((await tour.does('GET /files', { query: about })).items).toEqual([])
    })

    test('are told apart by lot and serial, each with its whole life', async () => {
      const tour = open()
      const cello = await tour.does('POST /goods', {
        body: { code: 'VC', name: 'Cello', kind: 'stock', price: '2400.00', track: 'serial', warrantyMonths: 24 },
      })
      expect(cello).toMatchObject({ track: 'serial', costing: 'unit', warrantyMonths: 24 })
      const glue = await tour.does('POST /goods', {
        body: { code: 'GL', name: 'Glue', kind: 'stock', price: '8.00', track: 'lot', costing: 'fifo' },
      })
      await tour.does('POST /stock-counts', {
        body: {
          on: '2026-01-02',
          lines: [
            { goodsId: cello.id, serials: ['C/1 & 2', 'C-3'], unitCost: '1500' },
            { goodsId: glue.id, counted: '6', unitCost: '3', lot: { code: 'L7', expires: '2027-01-31' } },
          ],
        },
      })
      expect((await tour.does('GET /stock-counts/lines', { query: { named: 'c/1 & 2' } })).items).toHaveLength(3)
      const found = await tour.does('GET /goods', { query: { search: 'c/1 & 2' } })
      expect(found.items).toMatchObject([{ id: cello.id, piece: { serial: 'C/1 & 2', lot: null } }])
      const sold = await tour.does('POST /counter-sales', {
        body: {
          on: '2026-03-02',
          method: 'card',
          lines: [
            { goodsId: cello.id, quantity: '1', serials: ['C/1 & 2'] },
            { goodsId: glue.id, quantity: '2', lot: 'L7' },
          ],
        },
      })
      expect(await tour.does('GET /serials/{serial}', { id: 'C/1 & 2' })).toMatchObject({
        goodsId: cello.id,
        cost: '1500.00',
        placeId: null,
        customerId: sold.customerId,
        warrantyUntil: '2028-03-02',
        life: [{ what: 'Count' }, { what: 'Handover', saleId: sold.saleId }],
      })
      expect(await tour.does('GET /lots/{lot}', { id: 'L7', query: { goodsId: glue.id } })).toMatchObject({
        expires: '2027-01-31',
        onHand: '4',
        value: '12.00',
        customers: [{ customerId: sold.customerId, quantity: '2' }],
      })
      expect(await tour.refuses('GET /serials/{serial}', { id: 'C-9' })).toMatchObject({ status: 404 })
      const again = { method: 'card', lines: [{ goodsId: cello.id, quantity: '1', serials: ['C/1 & 2'] }] }
      expect(await tour.refuses('POST /counter-sales', { body: again })).toMatchObject({ kind: 'serial-gone' })
    })

    test('are put together ahead, taken apart, and a part is replaced on one sale', async () => {
      const tour = open()
      const set = await tour.does('POST /goods', {
        body: {
          code: 'SET',
          name: 'Rosin set',
          kind: 'kit',
          price: '30.00',
          parts: [{ goodsId: made.rosin, quantity: '2' }],
        },
      })
      const assembled = await tour.does('POST /goods/{id}/assemble', { id: set.id, body: { quantity: '2' } })
      // Four at the 6.00 they cost.
      expect(assembled).toMatchObject({ goodsId: set.id, quantity: '2', value: '24.00' })
      const apart = await tour.does('POST /goods/{id}/take-apart', { id: set.id, body: { quantity: '2' } })
      expect(apart).toMatchObject({ quantity: '-2', value: '-24.00' })
      const estimate = await tour.does('POST /sales', {
        body: { customerId: made.customer, lines: [{ goodsId: set.id, quantity: '1' }] },
      })
      const replaced = await tour.does('POST /sales/{id}/replace-part', {
        id: estimate.id,
        body: { lineId: estimate.lines[0].id, part: made.rosin, by: made.violin, quantity: '1' },
      })
      expect(replaced.lines[0].parts).toMatchObject([{ goodsId: made.violin, perKit: '1' }])
      await tour.does('POST /sales/{id}/decline', { id: estimate.id, body: { reason: 'Tried out' } })
    })

    test('lie in a place, their income goes to an account, and their tax has rates with days', async () => {
      const tour = open()
      const [shop] = (await tour.does('GET /places')).items as { id: number; usual: boolean }[]
      expect(shop?.usual).toBe(true)
      const bench = await tour.does('POST /places', { body: { code: 'BENCH', name: 'Bench' } })
      expect(
        await tour.does('PATCH /places/{id}', { id: bench.id, body: { code: 'WB', name: 'Workbench' } }),
      ).toMatchObject({
        code: 'WB',
        name: 'Workbench',
        usual: false,
      })
      const slip = await tour.does('POST /places', { body: { code: 'SLIP', name: 'A slip' } })
      await tour.does('DELETE /places/{id}', { id: slip.id })
      const peg = await tour.does('POST /goods', {
        body: { code: 'PEG', name: 'Peg', kind: 'stock', price: '4.00' },
      })
      const lines = (change: string) => ({ reason: 'Found', lines: [{ goodsId: peg.id, change, unitCost: '1.50' }] })
      expect(await tour.does('POST /stock-adjustments', { body: lines('8') })).toMatchObject({ value: '12.00' })
      await tour.does('POST /stock-moves', {
        body: { from: shop?.id, to: bench.id, lines: [{ goodsId: peg.id, quantity: '3' }] },
      })
      // Eight at 1.50; three of them were carried to the bench.
      const stock = await tour.does('GET /goods/{id}/stock', { id: peg.id })
      expect(stock).toMatchObject({ onHand: '8', available: '8', value: '12.00' })
      expect(stock.rows).toMatchObject([
        { placeId: shop?.id, onHand: '5', unitCost: '1.5', value: '7.50', lot: null, serial: null },
        { placeId: bench.id, onHand: '3', value: '4.50' },
      ])
      const sale = await tour.does('POST /sales', {
        body: { customerId: made.second, agreed: true, lines: [{ goodsId: peg.id, quantity: '4' }] },
      })
      expect((await tour.does('GET /sales/{id}/picking', { id: sale.id })).lines).toMatchObject([
        { quantity: '4', short: '0', from: [{ placeId: shop?.id, quantity: '4' }] },
      ])
      const card = await tour.does('GET /goods/{id}/card', { id: peg.id })
      expect((card.rows as { quantity: string; running: string }[]).map((r) => [r.quantity, r.running])).toEqual([
        ['8', '8'],
        ['-3', '5'],
        ['3', '8'],
      ])
      const accounts = (await tour.does('GET /accounts')).items as { code: string; role: string | null }[]
      expect(accounts.find((a) => a.code === '1100')).toMatchObject({ role: 'receivables' })
      const city = await tour.does('POST /tax-codes', {
        body: { code: 'CITY', name: 'City tax', components: [{ name: 'City', rate: '0.01' }] },
      })
      await tour.does('POST /tax-codes/{id}/rates', {
        id: city.id,
        body: { from: '2026-07-01', components: [{ name: 'City', rate: '0.02' }] },
      })
      const town = { name: 'Town tax', components: [{ name: 'City', to: 'Town' }] }
      await tour.does('PATCH /tax-codes/{id}', { id: city.id, body: town })
      const rates = async () => {
        const { items } = await tour.does('GET /tax-codes')
        return (items as { code: string; rates: { id: number; from: string | null }[] }[]).find(
          (c) => c.code === 'CITY',
        )!.rates
      }
      expect((await rates()).map((r) => r.from)).toEqual([null, '2026-07-01'])
      await tour.does('DELETE /tax-codes/{id}', { id: (await rates())[1]!.id })
      expect((await rates()).map((r) => r.from)).toEqual([null])
    })
  })
}
