import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findFile } from '@/data/queries/files'

/** The size of paper the business prints on. */
export const letterPaper = (business: Business): 'A4' | 'LETTER' => (business.paperSize === 'letter' ? 'LETTER' : 'A4')

/** The business as its papers show it. */
export const readLetterhead = async (db: Db, business: Business): Promise<Letterhead> => {
  const mark = business.markFileId === null ? null : await findFile(db, business.markFileId)
  return {
    name: business.name,
    address: [business.address, business.phone, business.email].filter(Boolean).join('\n'),
    taxNumber: business.taxNumber,
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
