import { answersWithin } from '@/model/access/house'
import { businessDate } from '@/services/clock'
import packageFile from '../../../../package.json'

export const dynamic = 'force-dynamic'

/** How long the database may take to say that it is there. */
const PATIENCE = 800

/** Whether the program and its database are up. Needs no token, tells nothing of the business, and answers at once. */
export const GET = async (): Promise<Response> => {
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
