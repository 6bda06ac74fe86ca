import { problem } from '@/api/problem'
import { serveExport } from '@/api/export'

export const dynamic = 'force-dynamic'

const onlyRead = (): Response => problem(405, 'no-such-method', 'What is exported is only read. See /docs/api.')
export { serveExport as GET, onlyRead as POST, onlyRead as PUT, onlyRead as PATCH, onlyRead as DELETE }
