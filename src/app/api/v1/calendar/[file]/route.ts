import { serveCalendar } from '@/api/calendar'

export const dynamic = 'force-dynamic'

export const GET = async (request: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> =>
  serveCalendar(request, (await params).file)
