import { openDatabase } from '../src/data/connect'
import { findBusiness, updateBusiness } from '../src/data/queries/business'
import { deleteSecondProof, findSecondProof } from '../src/data/queries/secondProof'
import { opens } from '../src/services/access/seal'

/**
 * What was sealed with the key of another place cannot be opened here, and is made or typed anew: the password of a mail server, and what an
 * authenticator app knows. Answers what to tell of it.
 */
export const forgetSealed = async (url: string, key: string): Promise<readonly string[]> => {
  process.env.TILL_SEAL_KEY = key
  const { db, close } = openDatabase(url)
  const told: string[] = []
  try {
    const [business, proof] = [await findBusiness(db), await findSecondProof(db)]
    if (business && !opens(business.smtpUrl)) {
      await updateBusiness(db, { smtpUrl: '' })
      told.push('The mail server’s password was sealed in the place it comes from. Enter it again in Settings.')
    }
    if (proof && !opens(proof.secret)) {
      await deleteSecondProof(db)
      told.push('One-time codes were sealed in the place it comes from, and are off. Set them up again in Settings.')
    }
    return told
  } finally {
    await close()
  }
}
