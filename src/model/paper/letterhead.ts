import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findFile } from '@/data/queries/files'
import type { Seller } from './issuedSays'

/** The size of paper the business prints on. */
export const letterPaper = (business: Business): 'A4' | 'LETTER' => (business.paperSize === 'letter' ? 'LETTER' : 'A4')

/** The business as its papers show it: by the name, address and tax number of `from`, and how it is reached and looks now. */
export const readLetterhead = async (db: Db, business: Business, from: Seller = business): Promise<Letterhead> => {
  const mark = business.markFileId === null ? null : await findFile(db, business.markFileId)
  return {
    name: from.name,
    address: [from.address, business.phone, business.email].filter(Boolean).join('\n'),
    taxNumber: from.taxNumber,
    header: business.header,
    footer: business.footer,
    colour: business.colour,
    size: letterPaper(business),
    mark: mark && { data: mark.body, format: mark.type === 'image/png' ? 'png' : 'jpg' },
  }
}

/** What stands at the head and foot of every paper of the business. */
export interface Letterhead {
  readonly name: string
  readonly address: string
  readonly taxNumber: string
  readonly header: string
  readonly footer: string
  readonly colour: string
  readonly size: 'A4' | 'LETTER'
  readonly mark: { readonly data: Buffer; readonly format: 'png' | 'jpg' } | null
}
