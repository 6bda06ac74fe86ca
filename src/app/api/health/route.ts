import { sql } from 'drizzle-orm'
import { database } from '@/data/connect'
import { businessDate } from '@/services/clock'
import packageFile from '../../../../package.json'

export const dynamic = 'force-dynamic'

/** Whether the program and its database are up. Needs no token and tells nothing of the business. */
export const GET = async (): Promise<Response> => {
  const up = await database()
    .execute(sql`select 1`)
    .then(
      () => true,
      () => false,
    )
  return Response.json(
    {
      status: up ? 'ok' : 'down',
      database: up ? 'ok' : 'down',
      version: packageFile.version,
      businessDate: businessDate(),
    },
    { status: up ? 200 : 503 },
  )
}
