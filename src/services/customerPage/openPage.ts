import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import { findLink, seeLink } from '@/data/queries/links'
import { hashToken } from '../access/secrets'
import { refuse } from '@/contract/refuse'

export interface OpenPage {
  readonly linkId: number
  readonly customerId: number
  /** The sale it opens on; none where it is of the customer as a whole. */
  readonly saleId: number | null
  /** Everything of the customer, or that sale alone. */
  readonly opensAll: boolean
}

/** Whose page a secret opens on a day; null where it opens none, was withdrawn, or has ended. */
export const findPage = async (db: Db, token: string, on: Day): Promise<OpenPage | null> => {
  if (!/^[\w-]{20,100}$/.test(token)) return null
  const link = await findLink(db, hashToken(token), on)
  return link && { linkId: link.id, customerId: link.customerId, saleId: link.saleId, opensAll: link.opensAll }
}

/** The same for a command: refused where the page is closed. */
export const mustOpenPage = async (w: { readonly tx: Db; readonly today: Day }, token: string): Promise<OpenPage> =>
  (await findPage(w.tx, token, w.today)) ?? refuse({ code: 'link-closed' })

/** Whether something of a sale is theirs to see. */
export const opensSale = (page: OpenPage, saleId: number | null): boolean =>
  page.opensAll || (saleId !== null && saleId === page.saleId)

export const notePageSeen = (db: Db, page: OpenPage, on: Day): Promise<void> => seeLink(db, page.linkId, on)
