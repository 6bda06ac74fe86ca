import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findFile } from '@/data/queries/files'
import type { Letterhead } from './paper'

/** The business as its papers show it. */
export const readLetterhead = async (db: Db, business: Business): Promise<Letterhead> => {
  const mark = business.markFileId === null ? null : await findFile(db, business.markFileId)
  return {
    name: business.name,
    address: [business.address, business.phone, business.email].filter(Boolean).join('\n'),
    header: business.header,
    footer: business.footer,
    colour: business.colour,
    size: business.paperSize === 'letter' ? 'LETTER' : 'A4',
    mark: mark && { data: mark.body, format: mark.type === 'image/png' ? 'png' : 'jpg' },
  }
}
