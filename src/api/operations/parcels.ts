import { z } from 'zod'
import { PICK_STATES } from '@/core/kinds'
import { pickViews } from '@/model/parcel/pickView'
import { heronParcel } from '@/standins/carrier/carrier'
import { quoteCarrier } from '@/services/parcels/carrier'
import { correctPick, dropPick, packPick, sendPick } from '@/services/parcels/picks'
import { startPick, startPicks } from '@/services/parcels/startPicks'
import { replacePart } from '@/services/sales/replacePart'
import { setAsideByHand } from '@/services/sales/setAside'
import { strikeOff } from '@/services/sales/strikeOff'
import { change, listOf, longPage, noQuery, read, readCursor } from '../operation'

const ofPick = { path: { pickId: 'id' } }

export const parcels = [
  change(
    '/sales/{id}/set-aside',
    'Goods in stock go to this sale before all others, in turn, or only what they leave.',
    setAsideByHand,
    { path: { saleId: 'id' } },
  ),
  change(
    '/sales/{id}/strike-off',
    'What is still to be handed over is not coming: off the order, with its reason.',
    strikeOff,
    { path: { saleId: 'id' } },
  ),
  change('/sales/{id}/replace-part', 'On this sale another part stands in for one of a kit.', replacePart, {
    path: { saleId: 'id' },
  }),
  change('/sales/{id}/picks', 'A pick list: what to gather for a sale, and from where. It posts nothing.', startPick, {
    path: { saleId: 'id' },
    status: 201,
  }),
  change('/picks', 'A pick list for every order that can go now.', startPicks, { status: 201 }),
  read(
    '/picks',
    'Pick lists, the newest first.',
    longPage.extend({ state: z.enum(PICK_STATES).optional() }),
    async ({ db, business, query: { limit, after, ...of } }) =>
      listOf(
        await pickViews(db, of, business.currency, { limit, after: readCursor(z.number().int(), after) }),
        limit,
        (p) => p,
        (p) => p.id,
      ),
  ),
  read(
    '/picks/{id}',
    'A pick list.',
    noQuery,
    async ({ db, business, id }) => (await pickViews(db, { id }, business.currency))[0] ?? null,
    'pick list',
  ),
  change('/picks/{id}/correct', 'What was really picked: it decides what is handed over.', correctPick, ofPick),
  change('/picks/{id}/pack', 'Puts what is picked into parcels, with weight and size.', packPick, ofPick),
  change(
    '/picks/{id}/send',
    'Hands over what was picked, with a carrier or without; once.',
    sendPick(heronParcel),
    ofPick,
  ),
  change('/picks/{id}', 'Throws away a pick list that is not sent.', dropPick, { ...ofPick, method: 'DELETE' }),
  change(
    '/carrier/quotes',
    'What the carrier takes for parcels to an address; nothing is booked.',
    quoteCarrier(heronParcel),
  ),
]
