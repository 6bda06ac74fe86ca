import { move, transferableSymbol, valueSymbol } from 'piscina'
import { tryListFile, type FileMade, type FileWish } from '@/api/makeListElsewhere'
import type { ListFile } from '@/api/lists/makeListFile'
import { present } from '@/core/present'
import { connectAtMost, database, replica } from '@/data/connect'

// One file at a time reads its parts side by side.
connectAtMost(3)

/** A file that changes hands instead of being copied: it has a whole buffer of its own. */
const handOver = (made: ListFile): ListFile => {
  const body = made.body.byteLength === made.body.buffer.byteLength ? made.body : new Uint8Array(made.body)
  const handed = { [transferableSymbol]: body.buffer, [valueSymbol]: { ...made, body } }
  return move(handed as never) as unknown as ListFile
}

/** A thread of its own that reads lists and writes them as files; see api/makeListElsewhere. */
const work = async ({ from, ...wish }: FileWish): Promise<FileMade> => {
  const made = await tryListFile(from === 'replica' ? present(replica()) : database(), wish)
  return 'body' in made ? handOver(made) : made
}

export default work
