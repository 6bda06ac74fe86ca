import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** The words of a PDF, page after page, with single spaces. */
export const pdfText = async (pdf: Buffer): Promise<string> => {
  const doc = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  let all = ''
  for (let n = 1; n <= doc.numPages; n++)
    all += (await (await doc.getPage(n)).getTextContent()).items.map((i) => ('str' in i ? i.str : '')).join(' ') + '\n'
  return all.replace(/\s+/g, ' ')
}
