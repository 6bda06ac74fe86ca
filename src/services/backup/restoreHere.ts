import { createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { randomBytes } from 'node:crypto'
import { join } from 'node:path'
import { log } from '@/log'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as NodeStream } from 'node:stream/web'

/** A backup is at most so large, in bytes. */
const MOST = 4_000_000_000

/** What the application asks of the program that started it, which alone may change tables. */
export interface RestoreWish {
  readonly restore: string
}
/** What it hears: what the backup holds, and that the restoring begins; or why not. */
export type RestoreAnswer =
  | { readonly checked: { readonly business: string; readonly made: string; readonly rows: number } }
  | { readonly refused: string }

/** Whether the program that started us restores: bin/start does. */
export const canRestore = (): boolean => process.send !== undefined && process.env.TILL_RESTORES === '1'

/** Why the restoring before came to nothing; nothing where there was none. */
export const restoreSaid = (): string => process.env.TILL_RESTORE_SAID ?? ''

class TooLarge extends Error {}

const isAnswer = (message: unknown): message is RestoreAnswer =>
  typeof message === 'object' && message !== null && ('checked' in message || 'refused' in message)

const ask = (wish: RestoreWish): Promise<RestoreAnswer> =>
  new Promise((done) => {
    const hear = (message: unknown): void => {
      if (!isAnswer(message)) return
      process.off('message', hear)
      done(message)
    }
    process.on('message', hear)
    process.send?.(wish)
  })

/** Keeps a backup that is sent, and asks for it to be restored. What cannot be kept, or is no backup, leaves nothing. */
export const restoreFrom = async (body: ReadableStream<Uint8Array>): Promise<RestoreAnswer> => {
  const folder = process.env.TILL_BACKUPS
  if (!folder) return { refused: 'There is no folder for backups here. Use bin/restore FILE.' }
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const path = join(folder, `sent-${randomBytes(8).toString('hex')}.part`)
  let size = 0
  const counted = new Transform({
    transform: (chunk: Buffer, _, next) => {
      size += chunk.length
      if (size > MOST) next(new TooLarge())
      else next(null, chunk)
    },
  })
  try {
    await pipeline(Readable.fromWeb(body as NodeStream), counted, createWriteStream(path, { mode: 0o600 }))
  } catch (problem) {
    await rm(path, { force: true })
    if (problem instanceof TooLarge) return { refused: 'This file is larger than 4 GB. Use bin/restore FILE.' }
    log.error({ err: problem }, 'a backup that was sent could not be kept')
    return {
      refused: 'The file could not be kept here: it was cut off, or the disk is full. Nothing was changed; try again.',
    }
  }
  return ask({ restore: path })
}
