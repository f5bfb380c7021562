import { readFileSync, statSync } from 'node:fs'
import { basename } from 'node:path'
import { defineCommand } from 'citty'
import { InputError } from '@wobrin/core/errors'
import { CALLS } from '@wobrin/core/observations'
import { BLAME_CAUSES, readBlameCsv, whoIsToBlame } from '@wobrin/core/proving'

const MOST_BYTES = 20 * 1024 * 1024

export const blame = defineCommand({
  meta: { name: 'blame', description: 'Disks that read in one drive and not in another: which disk, drive, head or writer it is.' },
  args: {
    file: { type: 'positional', description: 'CSV: disk,writer,drive,head,zone,good,sectors', required: true },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const size = statSync(args.file, { throwIfNoEntry: false })?.size
    if (size === undefined) throw new InputError('there is no such file', 'a CSV file', { file: args.file })
    if (size > MOST_BYTES) throw new InputError('the file is larger than any bench', 'at most 20 MB', { file: args.file })
    const { disks, drives, reads } = readBlameCsv(readFileSync(args.file, 'utf8'), basename(args.file))
    const answer = whoIsToBlame(reads, disks, drives)
    if (args.json) {
      console.log(JSON.stringify(answer, null, 2))
      return
    }
    console.log(`${CALLS[answer.call.kind].label}: ${[...answer.call.reasons, answer.call.next].join(' ')}`)
    for (const b of answer.blamed) console.log(`  ${String(Math.round(b.probability * 100)).padStart(3)} %  ${BLAME_CAUSES[b.cause].label}: ${b.who}${b.where ? `, ${b.where}` : ''}`)
    for (const n of answer.next) console.log(`Read ${n.disk} in ${n.drive}: ${n.bits.toFixed(2)} bit.`)
    for (const c of answer.contradictions) console.log(`Read whole once and not again: ${c}.`)
  },
})
