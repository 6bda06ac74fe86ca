import { packedTimes } from './packedTimes'

const NS = 'http://schemas.openxmlformats.org'
const OFFICE = `${NS}/officeDocument/2006/relationships`
const MAIN = `${NS}/spreadsheetml/2006/main`
const relations = (...all: readonly (readonly [type: string, target: string])[]) =>
  `<Relationships xmlns="${NS}/package/2006/relationships">${all
    .map(([type, to], i) => `<Relationship Id="rId${i + 1}" Type="${OFFICE}/${type}" Target="${to}"/>`)
    .join('')}</Relationships>`

/** A ZIP whose list of contents says that each file unpacks to ten bytes. */
const lyingZip = (files: readonly (readonly [name: string, packed: Buffer])[]): Buffer => {
  const [parts, list] = [Array<Buffer>(), Array<Buffer>()]
  let at = 0
  for (const [name, packed] of files) {
    const facts = Buffer.alloc(26)
    for (const [value, place] of [
      [20, 0],
      [8, 4],
      [name.length, 22],
    ] as const)
      facts.writeUInt16LE(value, place)
    facts.writeUInt32LE(packed.length, 14)
    facts.writeUInt32LE(10, 18)
    const head = [Buffer.from('PK\x03\x04'), facts, Buffer.from(name), packed]
    const rest = Buffer.alloc(14)
    rest.writeUInt32LE(at, 10)
    list.push(Buffer.from('PK\x01\x02\x14\x00'), facts, rest, Buffer.from(name))
    parts.push(...head)
    at += head.reduce((sum, part) => sum + part.length, 0)
  }
  const length = list.reduce((sum, part) => sum + part.length, 0)
  const end = Buffer.alloc(22)
  end.write('PK\x05\x06')
  for (const place of [8, 10]) end.writeUInt16LE(files.length, place)
  end.writeUInt32LE(length, 12)
  end.writeUInt32LE(at, 16)
  return Buffer.concat([...parts, ...list, end])
}

/** A spreadsheet of one cell by its own list, that unpacks to gigabytes: of texts, or of a sheet that is laid aside until they come. */
export const lyingSheet = (of: 'texts' | 'sheet'): Buffer => {
  const sheet = `<worksheet xmlns="${MAIN}"><sheetData><row r="1"><c r="A1" t="s"><v>0</v></c></row>`
  const files: Readonly<Record<string, Buffer>> = {
    '_rels/.rels': packedTimes('', 0, relations(['officeDocument', 'xl/workbook.xml'])),
    'xl/worksheets/sheet1.xml': packedTimes(
      ' '.repeat(1_000_000),
      of === 'sheet' ? 3_000 : 0,
      sheet,
      '</sheetData></worksheet>',
    ),
    'xl/_rels/workbook.xml.rels': packedTimes(
      '',
      0,
      relations(['worksheet', 'worksheets/sheet1.xml'], ['sharedStrings', 'sharedStrings.xml']),
    ),
    'xl/workbook.xml': packedTimes(
      '',
      0,
      `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets><sheet name="a" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    ),
    'xl/sharedStrings.xml': packedTimes(
      '<si><t>abcdefgh</t></si>'.repeat(40_000),
      of === 'texts' ? 1_000 : 1,
      `<sst xmlns="${MAIN}">`,
      '</sst>',
    ),
  }
  return lyingZip(Object.entries(files))
}
