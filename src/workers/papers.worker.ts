import { draw, type Drawing } from '@/documents/draw/draw'

/** A thread of its own that draws papers; see papers/drawElsewhere. */
const work = (drawing: Drawing): Promise<Buffer> => draw(drawing)

export default work
