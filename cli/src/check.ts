import { readFileSync, statSync } from 'node:fs'
import { defineCommand } from 'citty'
import { InputError } from '@wobrin/core/errors'
import { CALLS } from '@wobrin/core/observations'
import { checkCertificate } from '@wobrin/core/proving'

const MOST_BYTES = 4 * 1024 * 1024

export const check = defineCommand({
  meta: { name: 'check', description: 'Whether a certificate’s JSON file is as it was issued.' },
  args: {
    file: { type: 'positional', description: 'the JSON file of a certificate', required: true },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const size = statSync(args.file, { throwIfNoEntry: false })?.size
    if (size === undefined) throw new InputError('there is no such file', 'the JSON file of a certificate', { file: args.file })
    if (size > MOST_BYTES) throw new InputError('the file is larger than any certificate', 'at most 4 MB', { file: args.file })
    let json: unknown
    try {
      json = JSON.parse(readFileSync(args.file, 'utf8'))
    }
    catch {
      throw new InputError('the file is no JSON', 'the JSON file of a certificate', { file: args.file })
    }
    const { state, call, tag } = checkCertificate(json)
    if (args.json) console.log(JSON.stringify({ state, tag, call }, null, 2))
    else console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
  },
})
