import { present } from '@/core/present'
interface Window {
  began: number
  count: number
}

const windows = new Map<string, Window>()
/** Who asks is forgotten when so many others asked since. */
const MOST_KEPT = 5_000

/** Whether a key may ask once more: at most `most` times in `within` milliseconds. Counted in this process, forgotten when it ends. */
export const mayAgain = (key: string, most: number, within: number): boolean => {
  const now = Date.now()
  const known = windows.get(key)
  const current = known && now - known.began < within ? known : { began: now, count: 0 }
  current.count++
  windows.delete(key)
  windows.set(key, current)
  if (windows.size > MOST_KEPT) windows.delete(present(windows.keys().next().value))
  return current.count <= most
}
