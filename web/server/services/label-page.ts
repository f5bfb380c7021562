import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'

/** Points in a millimetre. */
const MM = 72 / 25.4
/** A label of 62 × 29 mm, as many label printers have; on plain paper it is cut out. */
const SIZE = { width: 62 * MM, height: 29 * MM }

/** A label: a code that opens an address, and what stands beside it. */
export const labelPage = (title: string, address: string, stack: Content[]): TDocumentDefinitions => ({
  info: { title, creator: 'Wobrin' },
  pageSize: SIZE,
  pageMargins: [2 * MM, 2 * MM, 2 * MM, 0],
  content: [
    {
      lineHeight: 1.02,
      columns: [
        { width: 24 * MM, stack: [{ qr: address, fit: 24.5 * MM, eccLevel: 'L' }] },
        { width: '*', margin: [2 * MM, 0, 0, 0], stack },
      ],
    },
  ],
})
