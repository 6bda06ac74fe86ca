import { Zip, ZipDeflate } from 'fflate'
import { log } from '@/log'

/** A file of a ZIP: where it stands in it, and what it holds. */
export type ZipEntry = readonly [name: string, body: Uint8Array | string]

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
        const [name, body] = next.value
        const file = new ZipDeflate(name)
        zip.add(file)
        file.push(typeof body === 'string' ? Buffer.from(body) : body, true)
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
