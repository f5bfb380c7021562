import { defineCommand, renderUsage, runCommand, type CommandDef } from 'citty'
import { AbortedError, InputError } from '@wobrin/core/base/errors'

/** What the list of commands shows, and how a command is loaded once it is called. */
interface Entry {
  readonly description: string
  readonly load: () => Promise<unknown>
}

const COMMANDS: Readonly<Record<string, Entry>> = {
  speed: {
    description: 'Judge the spindle speed in a recording (VCD, CSV or WAV, also gzip-packed).',
    load: async () => (await import('./speed')).speed,
  },
  live: {
    description: 'Judge the spindle speed of a stream while it comes: some-tool … | wobrin live --mechanism 3.5in.',
    load: async () => (await import('./live')).live,
  },
  strobe: {
    description: 'Bars of a strobe pattern for a speed and a mains frequency; a disc to print.',
    load: async () => (await import('./strobe')).strobe,
  },
  simulate: {
    description: 'Record a simulated drive by a specification, or a simulated pickup, to a VCD file.',
    load: async () => (await import('./simulate')).simulate,
  },
  mechanisms: {
    description: 'List the drive types with their speeds and sources.',
    load: async () => (await import('./mechanisms')).mechanisms,
  },
  parts: {
    description: 'List the parts that people swap, with what has to be shown afterwards.',
    load: async () => (await import('./parts')).parts,
  },
  procedure: {
    description: 'How a part is changed, or a disk made fit to be read, step by step.',
    load: async () => (await import('./procedure')).procedure,
  },
  steps: {
    description: 'The steps of a drive type, station by station, with its safety gates.',
    load: async () => (await import('./steps')).steps,
  },
  clean: {
    description: 'What to clean with, in which order, and what must never touch what.',
    load: async () => (await import('./clean')).clean,
  },
  calc: {
    description: 'Numbers in, call out: belts, motors, supplies, sensors, capacitors, logic and more.',
    load: async () => (await import('./calc')).calc,
  },
  reading: {
    description: 'Judge a value that was read off something: a speed, a voltage, a level, a count.',
    load: async () => (await import('./reading')).reading,
  },
  fit: {
    description: 'Straps and wires with which a drive serves a host.',
    load: async () => (await import('./fit')).fit,
  },
  read: {
    description: 'Read a track from a recording of the read-data line: sectors, and the timing margin left.',
    load: async () => (await import('./read')).read,
  },
  rescue: {
    description: 'Merge recordings of one failing disk sector by sector, and say what to try next.',
    load: async () => (await import('./rescue')).rescue,
  },
  bus: {
    description: 'Follow a drive by a recording of its interface lines: where the heads were, and how each track read.',
    load: async () => (await import('./bus')).bus,
  },
  sweep: {
    description: 'Judge a sweep of an adjuster: where each head reads, where to try next, where to set it.',
    load: async () => (await import('./sweep')).sweep,
  },
  scope: {
    description: 'Read a scope recording of an alignment track: lobes, azimuth bursts or the index burst.',
    load: async () => (await import('./scope')).scope,
  },
  blame: {
    description: 'Disks that read in one drive and not in another: which disk, drive, head or writer it is.',
    load: async () => (await import('./blame')).blame,
  },
  diagnose: {
    description: 'From complaint to cause: what it may be, why, and what to check next.',
    load: async () => (await import('./diagnose')).diagnose,
  },
  pool: {
    description: 'Which drives of a box can be made to work with the good parts of the others.',
    load: async () => (await import('./pool')).pool,
  },
  plan: {
    description: 'What hands do when on a bench: the shortest plan, and what fits into the minutes that there are.',
    load: async () => (await import('./plan')).plan,
  },
  'bench-test': {
    description: 'The bench test of a drive: what to try, what to expect, and what a case already shows.',
    load: async () => (await import('./bench-test')).benchTest,
  },
  listen: {
    description: 'Steps, the click of a cartridge drive, or the spindle’s speed by ear, in a WAV recording.',
    load: async () => (await import('./listen')).listen,
  },
  transitions: {
    description: 'Raw transitions of a track as an open file of nanoseconds (docs/transitions.md).',
    load: async () => (await import('./transitions')).transitions,
  },
  film: {
    description: 'The spindle’s speed from the frames of a film: a CSV table of time s, place, picture (brightness).',
    load: async () => (await import('./film')).film,
  },
  'bench-link': {
    description: 'A board at the interface of a drive: simulate one, check one, or follow its lines.',
    load: async () => (await import('./bench-link')).benchLink,
  },
  check: {
    description: 'Whether a certificate’s JSON file is as it was issued.',
    load: async () => (await import('./check')).check,
  },
  'write-test': {
    description: 'A host’s write test on the simulated drive: what it finds, and what it hides.',
    load: async () => (await import('./write-test')).writeTest,
  },
  serve: {
    description: 'Start the application on a data folder.',
    load: async () => (await import('./data-folder')).serve,
  },
  backup: {
    description: 'Back up a workshop’s database, with the server running or not.',
    load: async () => (await import('./data-folder')).backup,
  },
  restore: {
    description: 'Put a backup back; what is there is kept. The server must be stopped.',
    load: async () => (await import('./data-folder')).restore,
  },
  export: {
    description: 'Write a workshop, or one drive, as an archive of open files.',
    load: async () => (await import('./data-folder')).exportTo,
  },
  import: {
    description: 'Read an archive into a workshop, with the server running or not.',
    load: async () => (await import('./data-folder')).importFrom,
  },
  verify: {
    description: 'Read a workshop through: what is damaged or missing, each by name.',
    load: async () => (await import('./data-folder')).verify,
  },
}
/** Earlier names that still work. */
const ALIASES: Readonly<Record<string, string>> = { sum: 'calc' }

const wobrin = defineCommand({
  meta: { name: 'wobrin', description: 'Measures and judges old disk drives.' },
  subCommands: Object.fromEntries(
    Object.entries(COMMANDS).map(([name, { description }]) => [name, { meta: { name, description } } as CommandDef]),
  ),
})

/**
 * Runs the command line.
 * @returns the exit code: 0 on any call, 2 with one plain line on input that cannot be used
 */
export async function main(rawArgs: string[]): Promise<number> {
  const [name] = rawArgs
  const entry = COMMANDS[ALIASES[name ?? ''] ?? name ?? '']
  if (!entry && name !== undefined && !name.startsWith('-')) {
    console.error(`wobrin: there is no command "${name}"; expected one of ${Object.keys(COMMANDS).join(', ')}.`)
    return 2
  }
  if (!entry) {
    console.log(await renderUsage(wobrin as unknown as CommandDef))
    return 0
  }
  const command = (await entry.load()) as CommandDef
  if (rawArgs.includes('--help') || rawArgs.includes('-h')) {
    console.log(await renderUsage(command, wobrin as unknown as CommandDef))
    return 0
  }
  try {
    await runCommand(command, { rawArgs: rawArgs.slice(1) })
    return 0
  } catch (error) {
    if (
      error instanceof InputError ||
      error instanceof AbortedError ||
      (error instanceof Error && error.name === 'CLIError')
    ) {
      console.error(`wobrin: ${error.message.split('\n')[0]}`)
      return 2
    }
    throw error
  }
}
