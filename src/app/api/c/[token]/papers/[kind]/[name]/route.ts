import { serveCustomerPaper } from '@/api/customer'

export const dynamic = 'force-dynamic'

export const GET = async (
  request: Request,
  { params }: { params: Promise<{ token: string; kind: string; name: string }> },
) => {
  const { token, kind, name } = await params
  return serveCustomerPaper(request, token, kind, name)
}
