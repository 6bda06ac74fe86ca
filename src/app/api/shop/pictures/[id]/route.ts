import { keptFile } from '@/api/export'
import { problem } from '@/api/problem'

export const dynamic = 'force-dynamic'

/** Pictures of goods and the business's mark: what anybody may see. */
export const GET = async (_: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params
  return (
    (/^\d{1,9}$/.test(id) ? await keptFile(Number(id), true) : null) ??
    problem(404, 'not-found', 'There is no such picture.')
  )
}
