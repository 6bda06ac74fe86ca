/**
 * What a PDF was read as: the XML of the invoice in it, that there is none, or that it is no PDF that can be read. Plain data, since it
 * is read in a process of its own.
 */
export type ReadPdf = { readonly xml: Uint8Array } | 'no-e-invoice' | 'unreadable'

/** How an invoice in UBL or CII begins: its element, and whose it is. */
const INVOICE =
  /<(?:[\w-]+:)?(?:Invoice|CrossIndustryInvoice)\b[^>]*(?:ubl:schema:xsd:Invoice-2|CrossIndustryInvoice:\d+)/
/** The longest XML that is taken, in bytes: as long as a file that is sent as it is. */
const LONGEST = 6_000_000
/** So far into a file its first element is looked for, in bytes: comments may stand before it. */
const BEGINNING = 8_000

/** Whether a file begins as an invoice does, whatever its letters are written in: those looked for are of one byte, or of one and nothing. */
const isInvoice = (content: Uint8Array): boolean =>
  INVOICE.test(Buffer.from(content.subarray(0, BEGINNING)).toString('latin1').replaceAll('\0', ''))

/** The invoice among the files that a PDF brings along, whatever they are called. */
export const readPdf = async (bytes: Uint8Array): Promise<ReadPdf> => {
  // Its second half would be looked for beside the first, where a build that nobody told of it has not put it.
  const [{ getDocument }] = await Promise.all([
    import('pdfjs-dist/legacy/build/pdf.mjs'),
    import('pdfjs-dist/legacy/build/pdf.worker.mjs'),
  ])
  // What it is given it takes along to another place: whoever called keeps theirs.
  const opening = getDocument({ data: new Uint8Array(bytes), verbosity: 0, isEvalSupported: false })
  try {
    const files: Readonly<Record<string, { readonly content: Uint8Array }>> | null = await (
      await opening.promise
    ).getAttachments()
    const xml = Object.values(files ?? {}).find(({ content }) => isInvoice(content))?.content
    if (!xml) return 'no-e-invoice'
    return xml.length > LONGEST ? 'unreadable' : { xml }
  } catch {
    return 'unreadable'
  } finally {
    await opening.destroy()
  }
}
