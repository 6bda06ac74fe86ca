import { openApi } from '@/api/openapi'

export const GET = (): Response => Response.json(openApi())
