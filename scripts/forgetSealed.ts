import { openDatabase } from '../src/data/connect'
import { findBusiness, updateBusiness } from '../src/data/queries/business'
import { opens } from '../src/services/access/seal'

/** A password of a mail server that was sealed with the key of another place cannot be opened here: it is typed anew. Answers whether there was one. */
export const forgetSealed = async (url: string, key: string): Promise<boolean> => {
  process.env.TILL_SEAL_KEY = key
  const { db, close } = openDatabase(url)
  try {
    const business = await findBusiness(db)
    if (!business || opens(business.smtpUrl)) return false
    await updateBusiness(db, { smtpUrl: '' })
    return true
  } finally {
    await close()
  }
}
