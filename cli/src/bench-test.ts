import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/base/errors'
import { benchTestOf, POINT_STATES, TEST_WAY_LABELS, TEST_WAYS, type PointResult } from '@wobrin/core/bench/bench-test'
import { diagnose, readCase, type DiagnosisCase } from '@wobrin/core/diagnosis'
import { caseIn, show, showNext } from './diagnose'

const asJson = ({ point, expected, state, seen, source }: PointResult) => ({
  check: point.check,
  group: point.group,
  label: point.label,
  how: point.how,
  expected,
  state,
  seen,
  source,
})

function showPoint({ point, expected, state, seen }: PointResult): void {
  console.log(`${POINT_STATES[state].padEnd(14)} ${point.label}${seen ? `: ${seen}` : ''}`)
  console.log(`${' '.repeat(15)}expected: ${expected}`)
  if (state !== 'right')
    for (const way of TEST_WAYS)
      if (point.how[way]) console.log(`${' '.repeat(15)}${TEST_WAY_LABELS[way].toLowerCase()}: ${point.how[way]}`)
}

export const benchTest = defineCommand({
  meta: { name: 'bench-test', description: 'What to try on a drive, what to expect, and what a case already shows.' },
  args: {
    file: { type: 'positional', description: 'the case as JSON, as “diagnose” reads it', required: false },
    mechanism: { type: 'string', description: 'drive type, for a sheet without a case' },
    rpm: { type: 'string', description: 'nominal speed, r/min; the usual one of the type if not given' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    if (!args.file && !args.mechanism)
      throw new ParameterError('no case was given', 'a JSON file, or --mechanism', { field: 'CASE' })
    const c: DiagnosisCase = args.file ? caseIn(args.file) : readCase({ mechanism: args.mechanism })
    const nominalRpm = args.rpm === undefined ? null : Number(args.rpm)
    if (nominalRpm !== null && !(nominalRpm > 0))
      throw new ParameterError(`“${args.rpm}” is not a speed`, 'r/min, above 0', { field: '--rpm' })
    const sheet = benchTestOf({ mechanism: c.mechanism, features: c.features ?? null, nominalRpm, motor: null }, c)
    const verdict = sheet.wrong > 0 ? diagnose(c) : null
    if (args.json) {
      const causes = verdict?.causes.slice(0, 6).map(({ fault, label, probability }) => ({ fault, label, probability }))
      console.log(
        JSON.stringify({ points: sheet.points.map(asJson), tried: sheet.tried, wrong: sheet.wrong, causes }, null, 2),
      )
      return
    }
    for (const p of sheet.points) showPoint(p)
    console.log(`${sheet.tried} of ${sheet.points.length} tried, ${sheet.wrong} wrong.`)
    if (verdict) {
      show(verdict, 4)
      showNext(verdict)
    }
  },
})
