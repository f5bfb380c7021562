import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { findMechanism } from '@wobrin/core/drives'
import { findPart, toldMeasures } from '@wobrin/core/parts'
import { labelPage } from '../label-page'
import type { SpareRow } from './spare-shelf'

/** Label for a bag or a drawer: what is in it, how it is known, with a code that finds it on the shelf. */
export function spareLabel(s: SpareRow, address: string): TDocumentDefinitions {
  const node = findPart(s.part)!
  const from = [s.mechanism && findMechanism(s.mechanism).label, `${s.maker} ${s.model}`.trim()].filter(Boolean)
  const measures = node.shape ? toldMeasures(node.shape, s.measures) : ''
  return labelPage(`Label ${s.name}`, address, [
    { text: s.name, bold: true, fontSize: 11 },
    { text: node.label, fontSize: 7, bold: true },
    ...[from.join(', '), measures, s.place, `${s.known}${s.says && `: ${s.says}`}`]
      .filter(Boolean)
      .map(text => ({ text, fontSize: 6 })),
  ])
}
