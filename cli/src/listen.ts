import { createHash } from 'node:crypto'
import { basename } from 'node:path'
import { defineCommand } from 'citty'
import { CALLS } from '@wobrin/core/base/observations'
import { findMechanism, MECHANISM_IDS } from '@wobrin/core/drives'
import { sense } from '@wobrin/core/instruments/sensed'
import { judgeSound } from '@wobrin/core/instruments/sound'
import { readWaveform } from '@wobrin/core/signals/captures'
import { numberOption, wordOption } from './options'
import { saySensed } from './say-sensed'
import { readBytes } from './read-bytes'

export const listen = defineCommand({
  meta: {
    name: 'listen',
    description: 'Steps, the click of a cartridge drive, or the spindle’s speed by ear, in a WAV recording.',
  },
  args: {
    file: { type: 'positional', description: 'WAV from a microphone at the drive', required: true },
    mechanism: { type: 'string', description: 'drive type: a cartridge drive is listened to for its click' },
    for: { type: 'string', description: 'steps (default), rub (a sound once a revolution) or tone (of a motor)' },
    'per-revolution': { type: 'string', description: 'how often the tone sounds in a revolution' },
    nominal: { type: 'string', description: 'which nominal speed was selected, r/min' },
    steps: { type: 'string', description: 'steps that the host was told to make in each seek' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const bytes = await readBytes(args.file, 'a WAV file')
    const listenFor = wordOption(args.for, 'for', ['steps', 'rub', 'tone']) ?? 'steps'
    if (listenFor !== 'steps') {
      const mechanism = findMechanism(args.mechanism ?? '').id
      const nominalRpm = numberOption(args.nominal, 'nominal', 1)
      const perRevolution = numberOption(args['per-revolution'], 'per-revolution', 1)
      const ask = { of: 'sound', for: listenFor, mechanism, nominalRpm, perRevolution } as const
      saySensed(sense(bytes, basename(args.file), ask), bytes, 'Sound', args.json)
      return
    }
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
