import { dropFileInput, keepFileInput } from '@/contract/inputs/files/keepFile'
import { LARGEST_FILE } from '@/core/kinds'
import { present } from '@/core/present'
import { listBills } from '@/data/queries/bill'
import { findBusiness, updateBusiness } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import { deleteFile, findFile, insertFile, type FileOwner } from '@/data/queries/files'
import { findEntry } from '@/data/queries/ledger'
import { findGoods, updateGoods } from '@/data/queries/goods'
import { findSales } from '@/data/queries/sales'
import { defineCommand, type Work } from '../command'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { runApart } from '@/workers/runApart'
import { MARK_POINTS, readMark } from './markFile'

/** What a file is, told by its first bytes and never by its name: nobody's page is shown as a picture. */
export const typeOf = (body: Buffer, name: string): string => {
  const starts = (hex: string) => body.subarray(0, hex.length / 2).toString('hex') === hex
  if (starts('89504e470d0a1a0a')) return 'image/png'
  if (starts('ffd8ff')) return 'image/jpeg'
  if (body.subarray(0, 4).toString('latin1') === 'RIFF' && body.subarray(8, 12).toString('latin1') === 'WEBP')
    return 'image/webp'
  if (body.subarray(0, 5).toString('latin1') === '%PDF-') return 'application/pdf'
  if (/\.(txt|csv|md)$/i.test(name) && !body.includes(0)) return 'text/plain; charset=utf-8'
  return 'application/octet-stream'
}
export const isPicture = (type: string): boolean => type.startsWith('image/')

const mustExist = async (w: Work, kind: FileOwner, ownerId: number): Promise<void> => {
  if (kind === 'customer') found(await findCustomer(w.tx, ownerId, w.currency), 'customer', ownerId)
  if (kind === 'goods') found((await findGoods(w.tx, [ownerId])).get(ownerId), 'goods', ownerId)
  if (kind === 'bill') found((await listBills(w.tx, { id: ownerId }))[0], 'bill', ownerId)
  if (kind === 'entry') found(await findEntry(w.tx, ownerId, w.currency), 'entry', ownerId)
  if (kind === 'sale') found((await findSales(w.tx, [ownerId], w.currency))[0], 'sale', ownerId)
}

const isOfBusiness = (f: { readonly ownerKind: string }): boolean => f.ownerKind === 'business'

/** Why a picture is no mark of the business; null where documents can carry it. */
const whyNoMark = async (body: Buffer, name: string): Promise<string | null> => {
  if (!['image/png', 'image/jpeg'].includes(typeOf(body, name)))
    return 'The mark is a PNG or JPEG picture. Choose one of these.'
  const read = await runApart('marks', body, readMark)
  if (read === 'too-large') return `The mark has at most ${MARK_POINTS} by ${MARK_POINTS} points. Make it smaller.`
  return read === 'fine' ? null : 'This picture is damaged, or too large unpacked. Save it again as PNG or JPEG.'
}

/**
 * Keeps a file with a customer, goods, a sale, a supplier's bill, an entry or the business. The first picture of goods is theirs; that
 * of the business its mark.
 */
export const keepFile = defineCommand(
  'keep-file',
  keepFileInput,
  async (w, f) => {
    await mustExist(w, f.ownerKind, f.ownerId)
    const body = Buffer.from(f.base64, 'base64')
    const type = typeOf(body, f.name)
    const fileId = await insertFile(w.tx, {
      ownerKind: f.ownerKind,
      ownerId: f.ownerId,
      name: f.name,
      type,
      size: body.length,
      body,
      addedOn: w.today,
    })
    if (f.ownerKind === 'goods' && isPicture(type)) {
      const goods = present((await findGoods(w.tx, [f.ownerId])).get(f.ownerId))
      if (goods.pictureFileId === null) await updateGoods(w.tx, f.ownerId, { pictureFileId: fileId })
    }
    if (isOfBusiness(f)) await updateBusiness(w.tx, { markFileId: fileId })
    return { id: fileId, answer: async () => ({ id: fileId, name: f.name, type, size: body.length }) }
  },
  {
    ask: async (_, f) => {
      const body = Buffer.from(f.base64, 'base64')
      const wrong = (message: string) => refuseAt('base64', message)
      if (body.length === 0) wrong('The file is empty. Choose another.')
      if (body.length > LARGEST_FILE) wrong('A file has at most 4 MB. Make the picture smaller, or save it as PDF.')
      const why = isOfBusiness(f) ? await whyNoMark(body, f.name) : null
      if (why !== null) wrong(why)
    },
  },
)

/** Throws a file away. What went out with a letter stays. */
export const dropFile = defineCommand('drop-file', dropFileInput, async (w, { fileId }) => {
  const kept = found(await findFile(w.tx, fileId), 'file', fileId)
  if (kept.ownerKind === 'post') refuse({ code: 'not-found', what: 'file', id: fileId })
  if (kept.ownerKind === 'goods') {
    const goods = (await findGoods(w.tx, [kept.ownerId])).get(kept.ownerId)
    if (goods?.pictureFileId === fileId) await updateGoods(w.tx, kept.ownerId, { pictureFileId: null })
  }
  if ((await findBusiness(w.tx))?.markFileId === fileId) await updateBusiness(w.tx, { markFileId: null })
  await deleteFile(w.tx, fileId)
  return { id: fileId, answer: async () => ({ id: fileId }) }
})
