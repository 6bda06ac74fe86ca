import { draw, type Drawing } from '@/papers/draw/draw'

/** A thread of its own that draws papers; see papers/drawElsewhere. */
export default (drawing: Drawing): Promise<Buffer> => draw(drawing)
