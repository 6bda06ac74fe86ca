import { setImmediate } from 'node:timers/promises'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { log } from '@/log'

/** A file of a ZIP: where it stands in it, and what it holds. */
export type ZipEntry = readonly [name: string, body: Uint8Array | string]

/** So much is packed at a time, in bytes, before others have their turn. */
const AT_ONCE = 128 * 1024
/** What is packed already is only put in. */
const PACKED = /\.(pdf|png|jpe?g|webp|xlsx|zip)$/i

const put = async (zip: Zip, [name, body]: ZipEntry): Promise<void> => {
  const bytes = typeof body === 'string' ? Buffer.from(body) : body
  const file = PACKED.test(name) ? new ZipPassThrough(name) : new ZipDeflate(name)
  zip.add(file)
  for (let at = 0; at === 0 || at < bytes.length; at += AT_ONCE) {
    file.push(bytes.subarray(at, at + AT_ONCE), at + AT_ONCE >= bytes.length)
    await setImmediate()
  }
}

/** A ZIP that is made while it is taken: each file when there is room for it, and none after whoever takes it has gone. */
export const zipStream = (entries: AsyncGenerator<ZipEntry>): ReadableStream<Uint8Array> => {
  let zip: Zip
  return new ReadableStream<Uint8Array>({
    start(out) {
      zip = new Zip((broken, part, last) => {
        if (broken) return out.error(broken)
        out.enqueue(part)
        if (last) out.close()
      })
    },
    async pull(out) {
      try {
        const next = await entries.next()
        if (next.done) return zip.end()
        await put(zip, next.value)
      } catch (broken) {
        log.error({ err: broken }, 'a ZIP broke off')
        out.error(broken)
      }
    },
    async cancel() {
      zip.terminate()
      await entries.return(undefined)
    },
  })
}
