import { basename } from 'node:path'
import { createInterface } from 'node:readline'
import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/base/errors'
import { CALLS } from '@wobrin/core/base/observations'
import {
  diagnose as diagnosed,
  findCheck,
  knowledgeList,
  LISTS,
  readCase,
  withAnswer,
  type Diagnosis,
  type DiagnosisCase,
  type WeighOptions,
} from '@wobrin/core/diagnosis'
import { readKnowledge, writeKnowledge } from '@wobrin/core/diagnosis/knowledge-file'
import { readRates, writeRates } from '@wobrin/core/diagnosis/learning'
import { fromJson, readText } from './read-text'

const MOST_MB = 5
const percent = (p: number): string => `${String(Math.round(100 * p)).padStart(3)} %`

export const caseIn = (path: string): DiagnosisCase => fromJson(path, 'a case as JSON', readCase)

/** The answer as it is printed: stable names. */
const asJson = ({ call, reasons, todo, ...d }: Diagnosis) => ({
  causes: d.causes,
  pairs: d.pairs,
  next: d.next,
  mendNow: d.mendNow,
  contradictions: d.contradictions,
  unknown: d.unknown,
  sound: d.sound,
  leftOut: d.leftOut,
  works: d.works.map(({ id, label, state, says }) => ({ id, label, state, says })),
  call,
  reasons,
  todo,
})

export function show(d: Diagnosis, most = 6): void {
  console.log(`${CALLS[d.call].label}: ${[...d.reasons, d.todo].join(' ')}`)
  for (const c of d.causes.slice(0, most)) {
    const why = c.why[0] ? `  (for it: ${c.why[0]}${c.against[0] ? `; against it: ${c.against[0]}` : ''})` : ''
    console.log(`  ${percent(c.probability)}  ${c.label}${why}`)
  }
  if (d.unknown >= 0.005) console.log(`  ${percent(d.unknown)}  A fault that is in no list`)
  for (const p of d.pairs.slice(0, 3)) {
    const labels = p.labels.map(l => l.toLowerCase())
    console.log(`  ${percent(p.probability)}  both: ${labels.join(', and ')}`)
  }
  for (const c of d.contradictions) console.log(`  ${c.says}`)
}

export function showNext(d: Diagnosis): void {
  d.next.forEach((n, i) => console.log(`${i + 1}. ${n.title} (${n.minutes} min). ${n.why}`))
}

/** What somebody edited, in place of what the program comes with. */
function optionsOf(args: { readonly rates?: string; readonly knowledge?: string }): WeighOptions {
  const knowledge = args.knowledge
    ? readKnowledge(readText(args.knowledge, 'a JSON file', MOST_MB), basename(args.knowledge))
    : undefined
  const factors = args.rates
    ? readRates(readText(args.rates, 'a CSV file', MOST_MB), basename(args.rates), knowledge?.faults)
    : undefined
  return { ...(knowledge ? { knowledge } : {}), ...(factors ? { factors } : {}) }
}

/** Asks at the terminal until a cure is cheaper than any question. */
async function ask(start: DiagnosisCase, options: WeighOptions): Promise<DiagnosisCase> {
  const lines = createInterface({ input: process.stdin })[Symbol.asyncIterator]()
  const line = async (): Promise<string | null> => {
    const next = await lines.next()
    return next.done ? null : next.value.trim()
  }
  let c = start
  for (;;) {
    const d = diagnosed(c, options)
    show(d, 4)
    if (d.mendNow || d.next.length === 0) return c
    showNext(d)
    console.log('Which check (1 to 3, nothing for the first, q to end)?')
    const chosen = await line()
    if (chosen === null || chosen === 'q') return c
    const next = d.next[chosen === '' ? 0 : Number(chosen) - 1]
    if (!next) {
      console.log(`“${chosen}” is not the number of a check.`)
      continue
    }
    const check = findCheck(next.check)!
    check.answers.forEach((a, i) => console.log(`   ${i + 1}  ${check.words?.[a] ?? a}`))
    console.log('Answer?')
    const answered = await line()
    if (answered === null || answered === 'q') return c
    const answer = check.answers[Number(answered) - 1] ?? check.answers.find(a => a === answered)
    if (answer) c = withAnswer(c, check.id, answer)
    else console.log(`“${answered}” is not one of its answers.`)
  }
}

export const diagnose = defineCommand({
  meta: { name: 'diagnose', description: 'From complaint to cause: what it may be, why, and what to check next.' },
  args: {
    file: { type: 'positional', description: 'the case as JSON', required: false },
    list: { type: 'string', description: `print what there is: ${LISTS.join(', ')}` },
    mechanism: { type: 'string', description: 'drive type, for a list or to begin asking without a file' },
    complaint: { type: 'string', description: 'complaint to begin asking with' },
    rates: { type: 'string', description: 'how often faults are met: a CSV file, as --write-rates prints it' },
    'write-rates': { type: 'boolean', description: 'print how often faults are met, to be edited' },
    knowledge: {
      type: 'string',
      description: 'functions, parts and faults: a JSON file, as --write-knowledge prints it',
    },
    'write-knowledge': { type: 'boolean', description: 'print functions, parts and faults, to be edited' },
    ask: { type: 'boolean', description: 'ask at the terminal until it would mend' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    if (args.list !== undefined) {
      const rows = knowledgeList(args.list, args.mechanism)
      if (args.json) console.log(JSON.stringify(rows, null, 2))
      else
        for (const { id, ...row } of rows)
          console.log(`${String(id).padEnd(30)} ${Object.values(row)[0]} · ${Object.values(row)[1] ?? ''}`)
      return
    }
    if (args['write-rates']) {
      console.log(writeRates().trimEnd())
      return
    }
    if (args['write-knowledge']) {
      console.log(writeKnowledge().trimEnd())
      return
    }
    const options = optionsOf(args)
    if (!args.file && !(args.ask && args.mechanism))
      throw new ParameterError('no case was given', 'a JSON file, --list, or --ask with --mechanism', { field: 'CASE' })
    const start = args.file
      ? caseIn(args.file)
      : readCase({ mechanism: args.mechanism, complaints: args.complaint ? [args.complaint] : [] })
    const c = args.ask ? await ask(start, options) : start
    if (args.ask && !args.json) return
    const answer = diagnosed(c, options)
    if (args.json) console.log(JSON.stringify(args.ask ? { case: c, ...asJson(answer) } : asJson(answer), null, 2))
    else {
      show(answer)
      showNext(answer)
    }
  },
})
