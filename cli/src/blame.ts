import { basename } from 'node:path'
import { defineCommand } from 'citty'
import { CALLS } from '@wobrin/core/base/observations'
import { ZONES } from '@wobrin/core/drives'
import { BLAME_CAUSES, poolReads, readBlameCsv, whoIsToBlame } from '@wobrin/core/proof'
import { readText } from './read-text'

export const blame = defineCommand({
  meta: {
    name: 'blame',
    description: 'Disks that read in one drive and not in another: which disk, drive, head or writer it is.',
  },
  args: {
    file: {
      type: 'positional',
      description: 'CSV: disk,writer,drive,head,zone,good,sectors, and source where it is known',
      required: true,
    },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const { disks, drives, reads } = readBlameCsv(readText(args.file, 'a CSV file', 20), basename(args.file))
    const answer = whoIsToBlame(reads, disks, drives)
    if (args.json) {
      const read = poolReads(reads, disks, drives).map(p => ({
        ...p,
        disk: disks[p.disk]!.name,
        drive: drives[p.drive]!.name,
        zone: ZONES[p.zone],
      }))
      console.log(JSON.stringify({ ...answer, read }, null, 2))
      return
    }
    console.log(`${CALLS[answer.call.kind].label}: ${[...answer.call.reasons, answer.call.next].join(' ')}`)
    for (const b of answer.blamed)
      console.log(
        `  ${String(Math.round(b.probability * 100)).padStart(3)} %  ${BLAME_CAUSES[b.cause].label}: ${b.who}${b.where ? `, ${b.where}` : ''}`,
      )
    for (const n of answer.next) console.log(`Read ${n.disk} in ${n.drive}: ${n.bits.toFixed(2)} bit.`)
    for (const c of answer.contradictions) console.log(`Read without error once and not again: ${c}.`)
  },
})
