import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { CALLS, evidenceWords } from '@wobrin/core/base/observations'
import { OUTCOMES } from '@wobrin/core/log'
import { RUNGS } from '@wobrin/core/proof'
import type { Certificate, CertificateMeasurement } from '@wobrin/core/release'

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

const SIMULATED = 'A simulated drive: nothing in here says anything of a real one.'
const sourceOf = ({ source, by }: CertificateMeasurement): string => evidenceWords({ source, by, recording: null })

function reading(label: string, m: CertificateMeasurement | null): Content[] {
  return [
    { text: label, color: MUTED },
    m ? { text: m.value, bold: true } : { text: 'not measured', color: MUTED },
    m ? { stack: [m.callLabel, { text: sourceOf(m), color: MUTED, fontSize: 8 }] } : '',
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

type Part = Content[]

/** A section that is left out where there is nothing to put into it. */
const section = (title: string, there: boolean, body: () => Content): Part => (there ? [heading(title), body()] : [])
const muted = (text: string): Content => ({ text, color: MUTED })
const small = (text: string): Content => ({ text, color: MUTED, fontSize: 8 })

function head(c: Certificate): Part {
  const { drive } = c
  const identity = [drive.maker, drive.model].filter(Boolean).join(' ')
  const claim = c.claim ? RUNGS[c.claim] : null
  const covers = c.closedUp ? 'tested again with covers on' : 'tested with covers off only'
  return [
    {
      columns: [
        muted(c.workshop || 'Workshop without a name'),
        { text: day(c.issuedAt), alignment: 'right', color: MUTED },
      ],
    },
    { text: `Drive ${drive.tag}`, fontSize: 20, bold: true, margin: [0, 12, 0, 0] },
    { text: [drive.mechanism, identity].filter(Boolean).join(' · '), fontSize: 12, margin: [0, 2, 0, 8] },
    ...(drive.simulated
      ? [{ text: SIMULATED, bold: true, margin: [0, 0, 0, 4] as [number, number, number, number] }]
      : []),
    { text: STATES[c.state], bold: true, margin: [0, 0, 0, 2] },
    ...(drive.serial ? [{ text: `Serial number ${drive.serial}` }] : []),
    ...(drive.host ? [{ text: `For ${drive.host}` }] : []),
    ...(c.machine.inPlaceOf
      ? [{ text: `In the place of ${c.machine.inPlaceOf.tag} since ${day(c.machine.inPlaceOf.at)}` }]
      : []),
    ...(c.machine.replacedBy
      ? [
          {
            text: `Out of its machine since ${day(c.machine.replacedBy.at)}: ${c.machine.replacedBy.tag} has its place`,
          },
        ]
      : []),
    { text: `Received ${day(drive.receivedAt)}${c.asFound.ownerWords ? `: “${c.asFound.ownerWords}”` : ''}` },
    ...(c.remark ? [{ text: c.remark, margin: [0, 2, 0, 0] as [number, number, number, number] }] : []),
    ...(claim
      ? [
          {
            text: [{ text: claim.title, bold: true }, `, ${covers}. ${claim.hides}`],
            margin: [0, 6, 0, 0] as [number, number, number, number],
          },
        ]
      : []),
  ]
}

const overrides = (c: Certificate): Content =>
  table(
    [92, '*'],
    c.overrides.map(o => [
      muted(minute(o.at)),
      { stack: [{ text: `${o.gate}: ${o.reason}` }, small(`Not so at that time: ${o.missing.join('; ')}.`)] },
    ]),
  )

const faults = (c: Certificate): Content =>
  table(
    [92, '*', 70],
    c.found.map(f => [
      muted(minute(f.at)),
      { stack: [{ text: f.what }, small(f.means)] },
      { text: CALLS[f.call].label, alignment: 'right' as const, bold: true },
    ]),
  )

const disks = (c: Certificate): Content =>
  table(
    [92, '*'],
    c.referenceDisks.map(d => [
      muted(minute(d.readAt)),
      { stack: [{ text: `${d.name}, ${d.trusted ? 'reference disk' : 'not verified'}` }, ...d.chain.map(small)] },
    ]),
  )

const measurements = (c: Certificate): Content =>
  c.measurements.length
    ? table(
        [92, '*', 110],
        c.measurements.map(m => [
          muted(minute(m.at)),
          {
            stack: [
              { text: `${m.what}: ${m.reason}` },
              small(`${sourceOf(m)}; ${m.how}`),
              ...(m.evidence ? [small(`recording ${m.evidence.slice(0, 16)}…`)] : []),
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
    : muted('None on record.')

const work = (c: Certificate): Content =>
  c.work.length
    ? table(
        [92, 70, '*'],
        c.work.map(w => [muted(minute(w.at)), w.station, [w.what, w.detail].filter(Boolean).join('. ')]),
      )
    : muted('None on record.')

/** The certificate as a document for the printer: one to three pages of A4. */
export function certificateDocument(c: Certificate): TDocumentDefinitions {
  const { tag } = c.drive
  const seal = `${tag} · made from ${c.logHead.entries} log entries, the last of them number ${c.logHead.seq} · seal ${c.hash}`
  return {
    info: { title: `Certificate ${tag}`, creator: 'Wobrin' },
    pageSize: 'A4',
    pageMargins: [56, 56, 56, 64],
    footer: (page, pages) => ({
      margin: [56, 16, 56, 0],
      fontSize: 8,
      color: MUTED,
      columns: [
        { width: '*', fontSize: 7, text: seal },
        { width: 60, text: `${page} of ${pages}`, alignment: 'right' },
      ],
    }),
    content: [
      ...head(c),
      ...section('Caution', c.cautions.length > 0, () => list(c.cautions, '')),
      ...section('Safety gates overridden', c.overrides.length > 0, () => overrides(c)),
      ...section('Complaints', c.complaints.length > 0, () =>
        table(
          ['*'],
          c.complaints.map(x => [{ stack: [{ text: x.what }, small(x.says)] }]),
        ),
      ),
      ...section('Faults not corrected', c.found.length > 0, () => faults(c)),
      heading('Spindle speed'),
      table([60, 110, '*', 90], [reading('as found', c.asFound.speed), reading('as left', c.asLeft.speed)]),
      heading('What was shown'),
      list(c.shown, 'Nothing yet.'),
      heading('What was not shown'),
      list(c.notShown, ''),
      ...section('Disks that it was judged by', c.referenceDisks.length > 0, () => disks(c)),
      ...section('Parts', c.parts.length > 0, () =>
        table(
          [92, '*'],
          c.parts.map(p => [muted(minute(p.at)), p.what]),
        ),
      ),
      heading('Measurements'),
      measurements(c),
      heading('Work'),
      work(c),
      ...section('Next service', c.nextService.length > 0, () =>
        table(
          [92, '*'],
          c.nextService.map(s => [s.on, { stack: [{ text: s.what }, small(s.why)] }]),
        ),
      ),
    ],
  }
}
