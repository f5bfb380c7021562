import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Certificate } from '@wobrin/core/release'
import { OUTCOMES } from '@wobrin/core/log'

/** Points in a millimetre. */
const MM = 72 / 25.4
/** A label of 62 × 29 mm, as many label printers have; on plain paper it is cut out. */
const SIZE = { width: 62 * MM, height: 29 * MM }

/**
 * Label for a drive: its tag, what it is, what it may claim and when it is next looked at, with a code that opens its
 * page.
 */
export function labelDocument(c: Certificate, claim: string, address: string): TDocumentDefinitions {
  const next = c.nextService[0]
  return {
    info: { title: `Label ${c.drive.tag}`, creator: 'Wobrin' },
    pageSize: SIZE,
    pageMargins: [2 * MM, 2 * MM, 2 * MM, 0],
    content: [
      {
        lineHeight: 1.02,
        columns: [
          { width: 24 * MM, stack: [{ qr: address, fit: 24.5 * MM, eccLevel: 'L' }] },
          {
            width: '*',
            margin: [2 * MM, 0, 0, 0],
            stack: [
              { text: c.drive.tag, bold: true, fontSize: 14 },
              {
                text: [c.drive.mechanism, [c.drive.maker, c.drive.model].filter(Boolean).join(' ')]
                  .filter(Boolean)
                  .join(', '),
                fontSize: 6,
                margin: [0, 0, 0, 2],
              },
              {
                text: c.state === 'draft' ? 'Not released' : `${OUTCOMES[c.state]} ${c.issuedAt.slice(0, 10)}`,
                fontSize: 6.5,
                bold: true,
              },
              { text: claim, fontSize: 6 },
              ...(next
                ? [
                    {
                      text: `Next: ${next.on.slice(0, 7)}, ${next.what.charAt(0).toLowerCase()}${next.what.slice(1)}`,
                      fontSize: 6,
                      margin: [0, 2, 0, 0] as [number, number, number, number],
                    },
                  ]
                : []),
            ],
          },
        ],
      },
    ],
  }
}
