import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Certificate } from '@wobrin/core/release'
import { OUTCOMES } from '@wobrin/core/log'
import { lowerFirst } from '@wobrin/core/base/observations'
import { labelPage } from './label-page'

/**
 * Label for a drive: its tag, what it is, what it may claim and when it is next looked at, with a code that opens its
 * page.
 */
export function labelDocument(c: Certificate, claim: string, address: string): TDocumentDefinitions {
  const next = c.nextService[0]
  const name = [c.drive.maker, c.drive.model].filter(Boolean).join(' ')
  return labelPage(`Label ${c.drive.tag}`, address, [
    { text: c.drive.tag, bold: true, fontSize: 14 },
    { text: [c.drive.mechanism, name].filter(Boolean).join(', '), fontSize: 6, margin: [0, 0, 0, 2] },
    {
      text: c.state === 'draft' ? 'Not released' : `${OUTCOMES[c.state]} ${c.issuedAt.slice(0, 10)}`,
      fontSize: 6.5,
      bold: true,
    },
    { text: claim, fontSize: 6 },
    ...(next
      ? [
          {
            text: `Next: ${next.on.slice(0, 7)}, ${lowerFirst(next.what)}`,
            fontSize: 6,
            margin: [0, 2, 0, 0] as [number, number, number, number],
          },
        ]
      : []),
  ])
}
