import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { CALLS, OUTCOMES } from '@wobrin/core/observations'
import { RUNGS, type Certificate, type CertificateMeasurement } from '@wobrin/core/proving'

const MUTED = '#5B6770'
const LINE = '#D8D2C6'

const STATES: Readonly<Record<Certificate['state'], string>> = {
  draft: 'Draft: the drive has not been released',
  ...OUTCOMES,
}

const day = (iso: string) => iso.slice(0, 10)
const minute = (iso: string) => `${iso.slice(0, 10)} ${iso.slice(11, 16)}`

function heading(text: string): Content {
  return { text, bold: true, fontSize: 11, margin: [0, 14, 0, 4] }
}

function list(items: readonly string[], empty: string): Content {
  return items.length ? { ul: items.map(text => ({ text, margin: [0, 1, 0, 1] })) } : { text: empty, color: MUTED }
}

function reading(label: string, m: CertificateMeasurement | null): Content[] {
  return [
    { text: label, color: MUTED },
    m ? { text: m.value, bold: true } : { text: 'not measured', color: MUTED },
    m ? `${m.callLabel}${m.simulated ? ' (simulated pickup)' : ''}` : '',
    m ? { text: minute(m.at), color: MUTED, alignment: 'right' } : '',
  ]
}

function table(widths: (string | number)[], body: Content[][]): Content {
  return {
    table: { widths, body: body as never, headerRows: 0 },
    layout: {
      hLineWidth: () => 0.5,
      vLineWidth: () => 0,
      hLineColor: () => LINE,
      paddingLeft: () => 0,
      paddingTop: () => 4,
      paddingBottom: () => 4,
    },
  }
}

/** The certificate as a document for the printer: one to three pages of A4. */
export function certificateDocument(c: Certificate): TDocumentDefinitions {
  const { drive } = c
  const identity = [drive.maker, drive.model].filter(Boolean).join(' ')
  return {
    info: { title: `Certificate ${drive.tag}`, creator: 'Wobrin' },
    pageSize: 'A4',
    pageMargins: [56, 56, 56, 64],
    footer: (page, pages) => ({
      margin: [56, 16, 56, 0],
      fontSize: 8,
      color: MUTED,
      columns: [
        {
          width: '*',
          fontSize: 7,
          text: `${drive.tag} · made from ${c.logHead.entries} log entries, the last of them number ${c.logHead.seq} · seal ${c.hash}`,
        },
        { width: 60, text: `${page} of ${pages}`, alignment: 'right' },
      ],
    }),
    content: [
      {
        columns: [
          { text: c.workshop, color: MUTED },
          { text: day(c.issuedAt), alignment: 'right', color: MUTED },
        ],
      },
      { text: `Drive ${drive.tag}`, fontSize: 20, bold: true, margin: [0, 12, 0, 0] },
      { text: [drive.mechanism, identity].filter(Boolean).join(' · '), fontSize: 12, margin: [0, 2, 0, 8] },
      { text: STATES[c.state], bold: true, margin: [0, 0, 0, 2] },
      ...(drive.serial ? [{ text: `Serial number ${drive.serial}` }] : []),
      ...(drive.host ? [{ text: `For ${drive.host}` }] : []),
      { text: `Received ${day(drive.receivedAt)}${c.asFound.ownerWords ? `: “${c.asFound.ownerWords}”` : ''}` },
      ...(c.remark ? [{ text: c.remark, margin: [0, 2, 0, 0] as [number, number, number, number] }] : []),
      ...(c.claim
        ? [
            {
              text: [
                { text: RUNGS[c.claim].title, bold: true },
                `, ${c.closedUp ? 'and again with its covers on' : 'proved open, not with its covers on'}. ${RUNGS[c.claim].hides}`,
              ],
              margin: [0, 6, 0, 0] as [number, number, number, number],
            },
          ]
        : []),
      ...(c.cautions.length ? [heading('Mind'), list(c.cautions, '')] : []),
      ...(c.overrides.length
        ? [
            heading('Gates passed although they were closed'),
            table(
              [92, '*'],
              c.overrides.map(o => [
                { text: minute(o.at), color: MUTED },
                {
                  stack: [
                    { text: `${o.gate}: ${o.reason}` },
                    { text: `Not so at that time: ${o.missing.join('; ')}.`, color: MUTED, fontSize: 8 },
                  ],
                },
              ]),
            ),
          ]
        : []),
      ...(c.found.length
        ? [
            heading('Found, and still so'),
            table(
              [92, '*', 70],
              c.found.map(f => [
                { text: minute(f.at), color: MUTED },
                { stack: [{ text: f.what }, { text: f.means, color: MUTED, fontSize: 8 }] },
                { text: CALLS[f.call].label, alignment: 'right' as const, bold: true },
              ]),
            ),
          ]
        : []),
      heading('Spindle speed'),
      table([60, 120, '*', 90], [reading('as found', c.asFound.speed), reading('as left', c.asLeft.speed)]),
      heading('What was shown'),
      list(c.shown, 'Nothing yet.'),
      heading('What was not shown'),
      list(c.notShown, ''),
      ...(c.referenceDisks.length
        ? [
            heading('Disks that it was judged by'),
            table(
              [92, '*'],
              c.referenceDisks.map(d => [
                { text: minute(d.readAt), color: MUTED },
                {
                  stack: [
                    { text: `${d.name}, ${d.trusted ? 'trusted' : 'not trusted'}` },
                    ...d.chain.map(text => ({ text, color: MUTED, fontSize: 8 })),
                  ],
                },
              ]),
            ),
          ]
        : []),
      ...(c.parts.length
        ? [
            heading('Parts'),
            table(
              [92, '*'],
              c.parts.map(p => [{ text: minute(p.at), color: MUTED }, p.what]),
            ),
          ]
        : []),
      heading('Measurements'),
      c.measurements.length
        ? table(
            [92, '*', 110],
            c.measurements.map(m => [
              { text: minute(m.at), color: MUTED },
              {
                stack: [
                  { text: `${m.what}: ${m.reason}` },
                  { text: m.how, color: MUTED, fontSize: 8 },
                  ...(m.evidence ? [{ text: `recording ${m.evidence.slice(0, 16)}…`, color: MUTED, fontSize: 8 }] : []),
                ],
              },
              {
                stack: [
                  { text: m.value, alignment: 'right' as const },
                  { text: m.callLabel, alignment: 'right' as const, bold: true },
                ],
              },
            ]),
          )
        : { text: 'None on record.', color: MUTED },
      heading('Work'),
      c.work.length
        ? table(
            [92, 70, '*'],
            c.work.map(w => [
              { text: minute(w.at), color: MUTED },
              w.station,
              [w.what, w.detail].filter(Boolean).join('. '),
            ]),
          )
        : { text: 'None on record.', color: MUTED },
      ...(c.nextService.length
        ? [
            heading('Next service'),
            table(
              [92, '*'],
              c.nextService.map(s => [s.on, { stack: [{ text: s.what }, { text: s.why, color: MUTED, fontSize: 8 }] }]),
            ),
          ]
        : []),
    ],
  }
}
