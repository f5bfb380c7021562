import { defineCommand, renderUsage, runCommand, type CommandDef } from 'citty'
import { AbortedError, InputError } from '@wobrin/core/errors'
import { blame } from './blame'
import { bus } from './bus'
import { check } from './check'
import { scope } from './scope'
import { sweep } from './sweep'
import { clean } from './clean'
import { fit } from './fit'
import { mechanisms } from './mechanisms'
import { read } from './read'
import { simulate } from './simulate'
import { speed } from './speed'
import { steps } from './steps'
import { strobe } from './strobe'
import { sum } from './sum'
import { writeTest } from './write-test'

const subCommands: Record<string, CommandDef> = {
  speed,
  strobe,
  simulate,
  mechanisms,
  steps,
  clean,
  sum,
  fit,
  read,
  bus,
  sweep,
  scope,
  blame,
  check,
  'write-test': writeTest,
} as unknown as Record<string, CommandDef>

const wobrin = defineCommand({
  meta: { name: 'wobrin', description: 'Measures and judges old disk drives.' },
  subCommands,
})

/**
 * Runs the command line.
 * @returns the exit code: 0 on any call, 2 with one plain line on input that cannot be used
 */
export async function main(rawArgs: string[]): Promise<number> {
  const command = subCommands[rawArgs[0]]
  if (!command || rawArgs.includes('--help') || rawArgs.includes('-h')) {
    const asked = rawArgs.length === 0 || command !== undefined || rawArgs[0].startsWith('-')
    if (!asked) {
      console.error(
        `wobrin: there is no command "${rawArgs[0]}"; expected one of ${Object.keys(subCommands).join(', ')}.`,
      )
      return 2
    }
    console.log(
      await renderUsage(
        command ?? (wobrin as unknown as CommandDef),
        command ? (wobrin as unknown as CommandDef) : undefined,
      ),
    )
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
