import { runElsewhere } from '@/workers/runElsewhere'
import { draw, type Drawing } from '@/documents/draw/draw'

/** Draws a paper on another thread. */
export const drawElsewhere = async (drawing: Drawing): Promise<Buffer> =>
  Buffer.from(await runElsewhere<Drawing, Uint8Array>('papers', drawing, draw))
