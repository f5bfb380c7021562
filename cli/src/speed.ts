import { defineCommand } from 'citty'
import { readCapture } from '@wobrin/core/signals/captures'
import { findMechanism, MECHANISM_IDS } from '@wobrin/core/drives'
import { CALLS } from '@wobrin/core/base/observations'
import { speedFromCapture, speedReport, speedUncertainty } from '@wobrin/core/instruments/spindle'
import { fileSource } from './file-source'
import { numberOption, RAW_WORDS, rawOption, wordOption } from './options'

export const speed = defineCommand({
  meta: { name: 'speed', description: 'Judge the spindle speed in a recording (VCD, CSV or WAV, also gzip-packed).' },
  args: {
    file: { type: 'positional', description: 'the recording; - for standard input', required: true },
    mechanism: { type: 'string', description: MECHANISM_IDS.join(' '), required: true },
    channel: { type: 'string', description: 'channel with the pulses (guessed by default)' },
    'pulses-per-turn': { type: 'string', description: 'pulses in one revolution (found by default)' },
    'even-marks': {
      type: 'boolean',
      description: 'several marks a revolution are evenly placed, as on a printed disc',
    },
    nominal: { type: 'string', description: 'which nominal speed was selected, r/min' },
    school: { type: 'string', description: 'leave-alone (default) or dial-in' },
    motor: { type: 'string', description: 'ac or dc' },
    'motor-pulley': { type: 'string', description: 'diameter of the motor pulley, mm' },
    flywheel: { type: 'string', description: 'diameter of the flywheel, mm' },
    'belt-length': { type: 'string', description: 'length of the belt as fitted, mm' },
    'sample-rate': { type: 'string', description: 'samples a second of a CSV without times, or of bare samples' },
    raw: { type: 'string', description: `the bytes are bare samples, low byte first: ${RAW_WORDS}` },
    channels: { type: 'string', description: 'channels of bare samples (one by default)' },
    'time-unit': { type: 'string', description: 'unit of a CSV’s times, where its heading does not say: s ms us ns' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const mechanism = findMechanism(args.mechanism)
    const source = await fileSource(args.file)
    const sampleRateHz = numberOption(args['sample-rate'], 'sample-rate', 1)
    const capture = await readCapture(source, {
      sampleRateHz,
      raw: rawOption(args.raw, sampleRateHz, args.channels),
      timeUnit: wordOption(args['time-unit'], 'time-unit', ['s', 'ms', 'us', 'ns']),
    })
    const motorPulleyMm = numberOption(args['motor-pulley'], 'motor-pulley', 0.1)
    const flywheelMm = numberOption(args.flywheel, 'flywheel', 0.1)
    const beltLengthMm = numberOption(args['belt-length'], 'belt-length', 1)
    const {
      channel,
      measurement: m,
      verdict,
    } = speedFromCapture(
      capture,
      {
        channel: args.channel,
        pulsesPerTurn: numberOption(args['pulses-per-turn'], 'pulses-per-turn', 1),
        evenMarks: args['even-marks'],
        pulleys: motorPulleyMm && flywheelMm ? { motorPulleyMm, flywheelMm, beltLengthMm } : undefined,
      },
      {
        mechanism: mechanism.id,
        nominalRpm: numberOption(args.nominal, 'nominal', 1),
        school: wordOption(args.school, 'school', ['leave-alone', 'dial-in']) ?? 'leave-alone',
        motor: wordOption(args.motor, 'motor', ['ac', 'dc']),
      },
    )
    const report = speedReport(m, verdict)
    if (args.json) {
      console.log(
        JSON.stringify(
          {
            ...report,
            channel,
            notices: capture.notices,
            evidence: { source: 'recording', by: 'Speed', recording: source.sha256() },
          },
          null,
          2,
        ),
      )
      return
    }
    console.log(`${CALLS[verdict.kind].label}: ${verdict.reasons.join(' ')}`)
    console.log(`Next: ${verdict.next}`)
    if (m) {
      const half = speedUncertainty(m)
      console.log(
        `\n  mean        ${m.rpm.mean.toFixed(2)}${half === null ? '' : ` ± ${half.toFixed(2)}`} r/min over ${m.revolutions} revolutions, channel ${channel}, ${m.pulsesPerTurn} pulse(s) a revolution (${m.pulsesFrom})`,
      )
      console.log(
        `  variation   ${m.variation.peakPercent.toFixed(2)} % zero to peak, ${m.variation.rmsPercent.toFixed(2)} % r.m.s.`,
      )
      if (m.drift.significant)
        console.log(`  drift       ${m.drift.endRpmPerMinute.toFixed(1)} r/min per minute at the end`)
      for (const c of m.components)
        console.log(
          `  periodic    ${c.peakPercent.toFixed(2)} % at ${c.hz.toFixed(2)} Hz${c.likely ? `: ${c.likely}` : ''}`,
        )
      if (m.discarded.length) {
        console.log(
          `  set aside   ${m.discarded.length}: ${m.discarded
            .slice(0, 5)
            .map(d => `${d.why} at ${d.atS.toFixed(2)} s`)
            .join('; ')}${m.discarded.length > 5 ? ' ...' : ''}`,
        )
      }
    }
    for (const notice of capture.notices) console.log(`  note        ${notice}`)
  },
})
