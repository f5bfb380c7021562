import { createHash } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { basename } from 'node:path'
import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/base/errors'
import { CALLS } from '@wobrin/core/base/observations'
import { MECHANISM_IDS } from '@wobrin/core/drives'
import { judgeSound } from '@wobrin/core/instruments/sound'
import { readWaveform } from '@wobrin/core/signals/captures'
import { numberOption, wordOption } from './options'

export const listen = defineCommand({
  meta: {
    name: 'listen',
    description: 'Steps counted and timed by their sound, or the click of a cartridge drive, in a WAV recording.',
  },
  args: {
    file: { type: 'positional', description: 'WAV from a microphone at the drive', required: true },
    mechanism: { type: 'string', description: 'drive type: a cartridge drive is listened to for its click' },
    steps: { type: 'string', description: 'steps that the host was told to make in each seek' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const bytes = await readFile(args.file).catch((error: Error) => {
      throw new ParameterError(`it cannot be read: ${error.message}`, 'a WAV file', { file: args.file })
    })
    const wave = readWaveform(bytes, basename(args.file))
    const { heard, seeks, rhythm, call } = judgeSound(wave, {
      mechanism: wordOption(args.mechanism, 'mechanism', MECHANISM_IDS),
      steps: numberOption(args.steps, 'steps', 1),
    })
    if (args.json) {
      const recording = createHash('sha256').update(bytes).digest('hex')
      const { onsets, ...rest } = heard
      const evidence = { source: 'recording', by: 'Sound', recording }
      console.log(
        JSON.stringify(
          {
            call: call.kind,
            reasons: call.reasons,
            next: call.next,
            clicks: onsets.length,
            ...rest,
            seeks,
            rhythm,
            evidence,
          },
          null,
          2,
        ),
      )
      return
    }
    for (const n of wave.notices) console.log(n)
    console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
    for (const s of seeks)
      console.log(
        `  ${s.fromS.toFixed(3)} s: ${s.heard} heard${s.stepMs === null ? '' : `, one every ${s.stepMs.toFixed(2)} ms`}${s.silent ? `, ${s.silent} silent` : ''}`,
      )
  },
})
