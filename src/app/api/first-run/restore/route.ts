import { answering } from '@/api/answering'
import { isSameOrigin } from '@/api/entry'
import { isNearOrKnowsTheCode } from '@/api/firstRun'
import { problem } from '@/api/problem'
import { readBusiness } from '@/model/access/house'
import { canRestore, restoreFrom } from '@/services/backup/restoreHere'

export const dynamic = 'force-dynamic'

/** A backup instead of a new business: the file as it is, from our own first page, for who may set the business up. */
export const POST = (request: Request): Promise<Response> =>
  answering(request, async () => {
    if (!isSameOrigin(request)) return problem(403, 'foreign', 'Restore a backup from Iron Till’s own page.')
    if (!isNearOrKnowsTheCode(request, request.headers.get('x-till-code')))
      return problem(403, 'set-up-code', 'From another machine this takes the code that the start printed.', [
        { path: 'code', message: 'Type the code that the start printed.' },
      ])
    if (await readBusiness())
      return problem(409, 'set-up-already', 'There is a business here already, and it was not touched.')
    if (!canRestore() || !request.body)
      return problem(409, 'not-here', 'Restore it with bin/restore FILE on the machine the program runs on.')
    const said = await restoreFrom(request.body)
    return 'checked' in said
      ? Response.json(said.checked, { status: 202 })
      : problem(422, 'not-a-backup', said.refused, [{ path: 'file', message: said.refused }])
  })
