/** What the mark of a business was found to be: one that documents can carry, or why it is none. */
export type ReadMark = 'fine' | 'too-large' | 'unreadable'

/** The most points of a mark. It is printed as wide as a thumb is long, and read anew for each document. */
export const MARK_POINTS = 4_000

/** Width and height of a PNG, of which all points are unpacked; what a JPEG holds goes to the paper as it is. */
const sizeOf = (picture: Buffer): readonly number[] =>
  picture.toString('latin1', 1, 4) === 'PNG' && picture.length >= 24
    ? [picture.readUInt32BE(16), picture.readUInt32BE(20)]
    : []

/** Tries a picture as documents use it: a PNG or JPEG that is damaged would break every one of them from then on. */
export const readMark = async (bytes: Uint8Array): Promise<ReadMark> => {
  const picture = Buffer.from(bytes)
  if (sizeOf(picture).some((points) => points > MARK_POINTS)) return 'too-large'
  const { default: PDFDocument } = await import('pdfkit')
  return new Promise((done) => {
    const unreadable = () => done('unreadable')
    try {
      const doc = new PDFDocument()
      doc.on('error', unreadable).on('end', () => done('fine'))
      doc.image(picture, 0, 0, { fit: [160, 44] })
      doc.resume()
      doc.end()
    } catch {
      unreadable()
    }
  })
}
