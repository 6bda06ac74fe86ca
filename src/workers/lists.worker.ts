import { move, transferableSymbol, valueSymbol } from 'piscina'
import { tryListFile, type FileWish } from '@/api/makeListElsewhere'
import type { ListFile } from '@/api/lists/makeListFile'
import { present } from '@/core/present'
import { connectAtMost, database, replica } from '@/data/connect'

// One file at a time reads its parts side by side.
connectAtMost(3)

/** A file that changes hands instead of being copied. */
const handOver = (made: ListFile): unknown => move({ [transferableSymbol]: made.body.buffer, [valueSymbol]: made })

/** A thread of its own that reads lists and writes them as files (`FileMade`); see api/makeListElsewhere. */
const work = async ({ from, ...wish }: FileWish): Promise<unknown> => {
  const made = await tryListFile(from === 'replica' ? present(replica()) : database(), wish)
  return 'body' in made ? handOver(made) : made
}

export default work
