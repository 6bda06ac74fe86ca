import type { Operation } from '../operation'
import { bank } from './bank'
import { books } from './books'
import { buying } from './buying'
import { goods } from './goods'
import { money } from './money'
import { parcels } from './parcels'
import { people } from './people'
import { post } from './post'
import { promises } from './promises'
import { sales } from './sales'
import { oneTimeCodes } from './oneTimeCodes'
import { settings } from './settings'
import { tax } from './tax'
import { shopfront } from './shopfront'
import { webhooks } from './webhooks'

/** The whole HTTP interface, by part. */
export const PARTS: Readonly<Record<string, readonly Operation[]>> = {
  'Setting up': [...settings, ...oneTimeCodes],
  People: people,
  Goods: goods,
  Sales: sales,
  Buying: buying,
  'Picking and sending': parcels,
  Money: money,
  'Payment terms': promises,
  'Post and papers': post,
  Shopfront: shopfront,
  Books: books,
  Tax: tax,
  Bank: bank,
  'Telling other programs': webhooks,
}

export const OPERATIONS: readonly Operation[] = Object.values(PARTS).flat()
