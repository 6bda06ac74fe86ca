import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import { findLink, seeLink } from '@/data/queries/links'
import { hashToken } from '../access/secrets'
import { refuse } from '../refuse'

export interface OpenPage {
  readonly linkId: number
  readonly customerId: number
  readonly saleId: number | null
}

/** Whose page a secret opens; null where it opens none, or was withdrawn. */
export const findPage = async (db: Db, token: string): Promise<OpenPage | null> => {
  if (!/^[\w-]{20,100}$/.test(token)) return null
  const link = await findLink(db, hashToken(token))
  return link && { linkId: link.id, customerId: link.customerId, saleId: link.saleId }
}

/** The same for a command: refused where the page is closed. */
export const mustOpenPage = async (db: Db, token: string): Promise<OpenPage> =>
  (await findPage(db, token)) ?? refuse({ code: 'link-closed' })

export const notePageSeen = (db: Db, page: OpenPage, on: Day): Promise<void> => seeLink(db, page.linkId, on)
