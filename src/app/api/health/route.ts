import { tellHealth } from '@/api/health'

export const dynamic = 'force-dynamic'
// The front door asks it directly, as soon as the program has started.
export { tellHealth as GET }
