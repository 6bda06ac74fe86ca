import { serveMyBasket, serveShopChange } from '@/api/shop'

export const dynamic = 'force-dynamic'

export { serveMyBasket as GET }
export const POST = async (request: Request, { params }: { params: Promise<{ action: string }> }) =>
  serveShopChange(request, (await params).action)
