import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** The words of a PDF, page after page, with single spaces. */
export const pdfText = async (pdf: Buffer): Promise<string> => {
  const doc = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  let all = ''
  for (let n = 1; n <= doc.numPages; n++)
    all += (await (await doc.getPage(n)).getTextContent()).items.map((i) => ('str' in i ? i.str : '')).join(' ') + '\n'
  return all.replace(/\s+/g, ' ')
}

interface Run {
  readonly text: string
  readonly x: number
  readonly y: number
  readonly width: number
  readonly size: number
}

/** Texts of a page that lie over one another. */
export const lyingOver = async (pdf: Buffer): Promise<readonly string[]> => {
  const doc = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  const over: string[] = []
  for (let n = 1; n <= doc.numPages; n++) {
    const { items } = await (await doc.getPage(n)).getTextContent()
    const runs = items.flatMap((i): Run[] =>
      'str' in i && i.str.trim() !== ''
        ? [{ text: i.str, x: i.transform[4], y: i.transform[5], width: i.width, size: i.height }]
        : [],
    )
    for (const [at, a] of runs.entries())
      for (const b of runs.slice(at + 1))
        if (
          Math.abs(a.y - b.y) < 0.9 * Math.min(a.size, b.size) &&
          Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x) > 1
        )
          over.push(`${a.text} / ${b.text}`)
  }
  return over
}
