import { replica, type Db } from '@/data/connect'
import { runElsewhere } from '@/workers/runElsewhere'
import { codeOf, isAway } from './answering'
import { makeListFile, type ListWish } from './lists/makeListFile'

/** How long a file may take, in milliseconds. */
export const FILE_PATIENCE = 180_000

/** What another thread is asked: it reads by itself, from the database that was found to know everything. */
export interface FileWish extends ListWish {
  readonly from: 'primary' | 'replica'
}
type Made = Awaited<ReturnType<typeof makeListFile>>
/** What broke there, in what an error keeps on its way between threads. */
export type FileMade = Made | { readonly broken: { readonly code: string; readonly message: string } }

/**
 * Makes a file, and tells what broke instead of breaking. A thread that waits for work sees nothing of connections that break
 * meanwhile: whoever uses them next finds out, and reads once more.
 */
export const tryListFile = async (db: Db, wish: ListWish, again = true): Promise<FileMade> => {
  try {
    return await makeListFile(db, wish)
  } catch (problem) {
    if (again && isAway(problem)) return tryListFile(db, wish, false)
    return { broken: { code: codeOf(problem), message: problem instanceof Error ? problem.message : String(problem) } }
  }
}

/** A list as a file, read and written on another thread: a hundred thousand rows keep nobody waiting. */
export const makeListElsewhere = async (db: Db, wish: ListWish, signal?: AbortSignal): Promise<Made> => {
  const from = db === replica() ? 'replica' : 'primary'
  const made = await runElsewhere<FileWish, FileMade>('lists', { ...wish, from }, () => tryListFile(db, wish), {
    signal,
    patience: FILE_PATIENCE,
  })
  if ('broken' in made) throw Object.assign(new Error(made.broken.message), { code: made.broken.code })
  return made
}
