import { serve } from '@/api/serve'

export const dynamic = 'force-dynamic'
export { serve as GET, serve as POST, serve as PUT, serve as PATCH, serve as DELETE, serve as OPTIONS }
