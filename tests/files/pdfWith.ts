import { deflateSync } from 'node:zlib'
import { packedTimes } from './packedTimes'

/** A page of nothing that brings files along, each packed already. */
const pdfOf = (files: readonly (readonly [name: string, packed: Buffer])[]): Buffer => {
  const names = files.map(([name], i) => `(${name}) ${4 + 2 * i} 0 R`).join(' ')
  const bodies: Buffer[] = [
    `<< /Type /Catalog /Pages 2 0 R /Names << /EmbeddedFiles << /Names [${names}] >> >> >>`,
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] >>',
  ].map((text) => Buffer.from(text))
  for (const [i, [name, packed]] of files.entries()) {
    bodies.push(Buffer.from(`<< /Type /Filespec /F (${name}) /UF (${name}) /EF << /F ${5 + 2 * i} 0 R >> >>`))
    const head = `<< /Type /EmbeddedFile /Filter /FlateDecode /Length ${packed.length} >>\nstream\n`
    bodies.push(Buffer.concat([Buffer.from(head), packed, Buffer.from('\nendstream')]))
  }
  const parts = [Buffer.from('%PDF-1.7\n')]
  const places: number[] = []
  let length = parts[0]!.length
  for (const [i, body] of bodies.entries()) {
    const whole = Buffer.concat([Buffer.from(`${i + 1} 0 obj\n`), body, Buffer.from('\nendobj\n')])
    places.push(length)
    parts.push(whole)
    length += whole.length
  }
  const rows = places.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')
  const count = bodies.length + 1
  const end = `xref\n0 ${count}\n0000000000 65535 f \n${rows}trailer\n<< /Size ${count} /Root 1 0 R >>\nstartxref\n${length}\n%%EOF\n`
  return Buffer.concat([...parts, Buffer.from(end)])
}

/** A PDF that brings files along, by their names. */
export const pdfWith = (files: Readonly<Record<string, string>>): Buffer =>
  pdfOf(Object.entries(files).map(([name, text]) => [name, deflateSync(text)]))

/** A PDF that brings a file of so many times 100 MB of nothing along, packed into a thousandth of that. */
export const hugePdf = (times: number): Buffer =>
  pdfOf([['factur-x.xml', Buffer.concat([Buffer.from([0x78, 0x9c]), packedTimes(Buffer.alloc(100_000_000), times)])]])
