import { writeFile } from 'node:fs/promises'
import { basename } from 'node:path'
import { defineCommand } from 'citty'
import { InputError, ParameterError } from '@wobrin/core/base/errors'
import { toCsv } from '@wobrin/core/calculators/calculator'
import { MOST_EDGES } from '@wobrin/core/instruments/interface'
import {
  missingByTrack,
  readAttempt,
  readFacts,
  rescue as rescueOf,
  rescueImage,
  rescueJson,
  rescueTable,
  sectorKey,
  type Attempt,
  type Rescue,
} from '@wobrin/core/instruments/rescue'
import { readCapture } from '@wobrin/core/signals/captures'
import { fileSource } from './file-source'
import { numberOption, wordOption } from './options'
import { readText } from './read-text'
import { attemptByLink, type LinkRead } from './rescue-link'

const MOST_FACTS_MB = 1

/** Each recording read in turn; what an earlier one read whole is not put together again. */
async function attemptsFrom(
  paths: readonly string[],
  factsFile: string | undefined,
  link: LinkRead | null,
): Promise<Attempt[]> {
  const facts = factsFile
    ? readFacts(readText(factsFile, 'a CSV file', MOST_FACTS_MB), basename(factsFile))
    : new Map<string, never>()
  const strange = [...facts.keys()].find(f => !paths.some(p => p === f || basename(p) === f))
  if (strange !== undefined)
    throw new ParameterError(`“${strange}” is none of the recordings`, paths.map(p => basename(p)).join(', '), {
      file: factsFile,
      field: 'file',
    })
  const attempts: Attempt[] = []
  const whole = new Set<string>()
  for (const path of paths) {
    const capture = await readCapture(await fileSource(path), { maxEdgesPerChannel: MOST_EDGES })
    const own = facts.get(path) ?? facts.get(basename(path))
    const attempt = readAttempt(capture, own, { known: key => whole.has(key) })
    for (const t of attempt.tracks)
      for (const s of t.read?.sectors ?? [])
        if (s.status === 'good') whole.add(sectorKey(s.cylinder, s.head, s.sector, s.size))
    attempts.push(attempt)
  }
  if (link) attempts.push(await attemptByLink(link, attempts, key => whole.has(key)))
  return attempts
}

export const rescue = defineCommand({
  meta: {
    name: 'rescue',
    description: 'Merge recordings of one failing disk sector by sector, and say what to try next.',
  },
  args: {
    file: { type: 'positional', description: 'the recordings, in the order in which they were made', required: false },
    image: {
      type: 'string',
      description: 'file for the sectors; the list of all of them goes beside it (.sectors.csv)',
    },
    facts: { type: 'string', description: 'CSV with what is known of each: file, drive, position, cleaned, slower' },
    link: {
      type: 'string',
      description: 'address of a board at a drive: what is missing (all, without recordings) is read there as well',
    },
    cylinders: { type: 'string', description: 'with --link and no recording: how many the disk has', default: '80' },
    heads: { type: 'string', description: 'with --link and no recording: 1 or 2', default: '2' },
    turns: { type: 'string', description: 'with --link: revolutions of each track', default: '5' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const paths = args._ as string[]
    if (new Set(paths).size < paths.length)
      throw new InputError('a recording is named twice', 'each recording once: the same readings count once', {
        file: paths.find((p, i) => paths.indexOf(p) < i),
      })
    if (paths.length === 0 && !args.link)
      throw new ParameterError('neither a recording nor a board was named', 'FILE… or --link ADDRESS', {
        field: 'file',
      })
    const link = args.link
      ? {
          address: args.link,
          cylinders: numberOption(args.cylinders, 'cylinders', 1)!,
          heads: (wordOption(args.heads, 'heads', ['1', '2']) === '1' ? 1 : 2) as 1 | 2,
          turns: numberOption(args.turns, 'turns', 1)!,
        }
      : null
    const answer = rescueOf(await attemptsFrom(paths, args.facts, link))
    if (args.image) {
      await writeFile(args.image, rescueImage(answer).bytes)
      await writeFile(`${args.image}.sectors.csv`, toCsv(rescueTable(answer)))
    }
    if (args.json) console.log(JSON.stringify(rescueJson(answer), null, 2))
    else print(answer, args.image)
  },
})

function print({ totals, attempts, sectors, next }: Rescue, image: string | undefined): void {
  console.log(`${totals.good} of ${sectors.length} sectors, ${totals.missing} missing.`)
  for (const a of attempts) console.log(`  ${a.file}: ${a.read} read, ${a.won} of them for the first time`)
  if (totals.combined)
    console.log(`  put together from several readings, checks passed: ${totals.combined} (never read without error)`)
  if (totals.disputed)
    console.log(`  ! ${totals.disputed} sectors were read without error with different data: more than one disk?`)
  for (const { cylinder, head, ids } of missingByTrack(sectors))
    console.log(
      `  missing: cylinder ${cylinder} head ${head}: ${ids.map(id => (id < 0 ? 'not named' : id)).join(', ')}`,
    )
  const [first, ...rest] = next
  console.log(`Next: ${first!.says}${expects(first!.expected)}`)
  for (const n of rest.slice(0, 2)) console.log(`  or: ${n.says}${expects(n.expected)}`)
  if (image && totals.missing) console.log(`  ${totals.missing} sectors of ${image} are filled, not read`)
}

const expects = (n: number) => (n > 0 ? ` Expected: ${n.toFixed(1)} sectors.` : '')
