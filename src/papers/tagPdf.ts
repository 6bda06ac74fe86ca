import type { PDFDict } from 'pdf-lib'
import { decodePDFRawStream, PDFArray, PDFDocument, PDFName, PDFNumber, PDFRawStream, PDFString, type PDFPage, type PDFRef } from 'pdf-lib' // prettier-ignore

const latin = (bytes: Uint8Array): string => Buffer.from(bytes).toString('latin1')

/** Wraps each run of text of a page in a numbered piece of marked content. Text operators stand on lines of their own. */
const markText = (content: string): { marked: string; count: number } => {
  let count = 0
  const marked = content.replace(
    /^BT$([\s\S]*?)^ET$/gm,
    (_, inside: string) => `/P <</MCID ${count++}>> BDC\nBT${inside}ET\nEMC`,
  )
  return { marked, count }
}

const contentOf = (page: PDFPage): string => {
  const contents = page.node.Contents()
  const streams = contents instanceof PDFArray ? contents.asArray().map((ref) => page.doc.context.lookup(ref)) : [contents] // prettier-ignore
  return streams
    .map((x) => (x instanceof PDFRawStream ? latin(decodePDFRawStream(x).decode()) : ''))
    .join('\n')
}

/**
 * Makes a PDF tagged (ISO 32000-1, 14.8): every run of text belongs to a paragraph of the document's structure, in reading
 * order, with its language, so that it can be read aloud. The library that draws the papers writes no tags itself.
 */
export const tagPdf = async (pdf: Buffer, language: string): Promise<Buffer> => {
  const doc = await PDFDocument.load(pdf, { updateMetadata: false })
  const { context, catalog } = doc
  const name = (n: string) => PDFName.of(n)
  const rootRef = context.nextRef()
  const documentRef = context.nextRef()
  const kids = PDFArray.withContext(context)
  const parents = PDFArray.withContext(context)
  for (const [n, page] of doc.getPages().entries()) {
    const { marked, count } = markText(contentOf(page))
    page.node.set(name('Contents'), context.register(context.flateStream(Buffer.from(marked, 'latin1'))))
    page.node.set(name('StructParents'), PDFNumber.of(n))
    page.node.set(name('Tabs'), name('S'))
    const pieces: PDFRef[] = Array.from({ length: count }, (_, mcid) =>
      context.register(
        context.obj({ Type: 'StructElem', S: 'P', P: documentRef, Pg: page.ref, K: mcid }) as PDFDict,
      ),
    )
    for (const piece of pieces) kids.push(piece)
    parents.push(PDFNumber.of(n))
    parents.push(context.obj(pieces) as PDFArray)
  }
  context.assign(
    documentRef,
    context.obj({ Type: 'StructElem', S: 'Document', P: rootRef, K: kids, Lang: PDFString.of(language) }),
  )
  context.assign(
    rootRef,
    context.obj({ Type: 'StructTreeRoot', K: documentRef, ParentTree: context.obj({ Nums: parents }) }),
  )
  catalog.set(name('StructTreeRoot'), rootRef)
  catalog.set(name('MarkInfo'), context.obj({ Marked: true }))
  catalog.set(name('Lang'), PDFString.of(language))
  return Buffer.from(await doc.save({ useObjectStreams: false }))
}
