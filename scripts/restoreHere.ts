import { rmSync } from 'node:fs'
import type { RestoreAnswer, RestoreWish } from '../src/services/backup/restoreHere'
import { NotABackup } from '../src/data/backup/format'
import { checkBackup, restoreBackup } from '../src/data/backup/restore'
import { forgetSealed } from './forgetSealed'
import { sayProblem } from './sayProblem'

/** The answer to who asked gets out before the application ends. */
const ANSWERED = 1_000

interface Place {
  readonly databaseUrl: string
  readonly sealKey: string
  readonly say: (text: string) => void
  /** Ends the application, and starts it again with what is to be said on its first page. */
  readonly stop: () => Promise<void>
  readonly start: (said: string) => Promise<void>
}

const sentenceOf = (problem: unknown): string =>
  problem instanceof NotABackup ? problem.message : `It was not restored. ${sayProblem(problem)}`

let underWay = false

/**
 * Restores a backup that came through the first page, in place of the application, which holds no rights for it: proved first, then
 * the application ends, all of it is restored or nothing, and it starts again. The file is gone afterwards.
 */
export const restoreHere = async (
  { restore: path }: RestoreWish,
  answer: (said: RestoreAnswer) => void,
  place: Place,
): Promise<void> => {
  if (underWay) {
    rmSync(path, { force: true })
    return answer({ refused: 'A backup is being restored already. Wait until it is done.' })
  }
  underWay = true
  try {
    const checked = await checkBackup(path).catch((problem: unknown) => sentenceOf(problem))
    if (typeof checked === 'string') return answer({ refused: checked })
    answer({ checked })
    await new Promise((r) => setTimeout(r, ANSWERED))
    await place.stop()
    const said = await restoreBackup(place.databaseUrl, path).then(() => '', sentenceOf)
    if (said === '') for (const told of await forgetSealed(place.databaseUrl, place.sealKey)) place.say(told)
    place.say(said || `Restored ${checked.rows} rows of “${checked.business}” as of ${checked.made}.`)
    await place.start(said)
  } finally {
    rmSync(path, { force: true })
    underWay = false
  }
}
