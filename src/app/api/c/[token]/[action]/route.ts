import { serveCustomerChange } from '@/api/customer'

export const dynamic = 'force-dynamic'

export const POST = async (request: Request, { params }: { params: Promise<{ token: string; action: string }> }) => {
  const { token, action } = await params
  return serveCustomerChange(request, token, action)
}
