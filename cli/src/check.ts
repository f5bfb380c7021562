import { defineCommand } from 'citty'
import { InputError } from '@wobrin/core/base/errors'
import { CALLS } from '@wobrin/core/base/observations'
import { certificateSources, checkCertificate } from '@wobrin/core/release'
import { readText } from './read-text'

export const check = defineCommand({
  meta: { name: 'check', description: 'Whether a certificate’s JSON file is as it was issued.' },
  args: {
    file: { type: 'positional', description: 'the JSON file of a certificate', required: true },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const text = readText(args.file, 'the JSON file of a certificate', 4)
    let json: unknown
    try {
      json = JSON.parse(text)
    } catch {
      throw new InputError('the file is not JSON', 'the JSON file of a certificate', { file: args.file })
    }
    const { state, call, tag } = checkCertificate(json)
    if (args.json) console.log(JSON.stringify({ state, tag, call, sources: certificateSources(json) }, null, 2))
    else console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
  },
})
