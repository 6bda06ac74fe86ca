import { serveExport } from '@/api/export'

export const dynamic = 'force-dynamic'
export { serveExport as GET }
