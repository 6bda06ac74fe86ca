import { readFileSync } from 'node:fs'
import { join } from 'node:path'

/** Which drawing shows which goods, by how their codes begin; `scripts/pictures.ts` makes the PNG of each. */
const DRAWINGS: readonly (readonly [codes: RegExp, drawing: string])[] = [
  [/^STR-/, 'strings'],
  [/^ROS-/, 'rosin'],
  [/^(VN|VA)-/, 'violin'],
  [/^(CE|DB)-/, 'cello'],
  [/^(GT|MD)-/, 'guitar'],
  [/^UK-/, 'ukulele'],
  [/^BOW-/, 'bow'],
  [/^CAS-/, 'case'],
  [/^STD-/, 'stand'],
  [/^PEG-(EB|RW)/, 'pegs'],
  [/^BRG-/, 'bridge'],
  [/^TUN-/, 'tuner'],
  [/^MTR-/, 'metronome'],
  [/^CLN-CLOTH|^STRAP-/, 'cloth'],
  [/^CLN-POL|^PEG-PASTE|^HUM-/, 'bottle'],
  [/^(SHR|CHR)-/, 'rest'],
  [/^(ADJ|MUT|END|CAP|PLK)-/, 'small'],
]

/** The picture of goods as a file to keep with them; null for those nobody drew. */
export const pictureOf = (code: string): { readonly name: string; readonly base64: string } | null => {
  const drawing = DRAWINGS.find(([codes]) => codes.test(code))?.[1]
  if (!drawing) return null
  const body = readFileSync(join(import.meta.dirname, 'pictures', `${drawing}.png`))
  return { name: `${drawing}.png`, base64: body.toString('base64') }
}
