import { answersWithin } from '@/model/access/house'
import { businessDate } from '@/services/clock'
import packageFile from '../../package.json'

/** How long the database may take to say that it is there, in milliseconds. */
const PATIENCE = 800

/** Whether the program and its database are up. Needs no token and tells nothing of the business. */
export const tellHealth = async (): Promise<Response> => {
  const up = await answersWithin(PATIENCE)
  return Response.json(
    {
      status: up ? 'ok' : 'down',
      database: up ? 'ok' : 'down',
      version: packageFile.version,
      businessDate: businessDate(),
    },
    {
      status: up ? 200 : 503,
      headers: { 'cache-control': 'no-store', ...(up ? {} : { 'retry-after': '2' }) },
    },
  )
}
