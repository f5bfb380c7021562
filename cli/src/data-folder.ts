import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { defineCommand, type CommandDef } from 'citty'
import { InputError } from '@wobrin/core/base/errors'

/** Where the built application may stand, seen from the bundle and from the source. */
const BUILT = ['../server/', '../../web/.output/server/']

function built(file: string): string {
  const path = BUILT.map(place => fileURLToPath(new URL(`${place}${file}`, import.meta.url))).find(p => existsSync(p))
  if (!path) throw new InputError('the application is not built', 'run `npm run build` first')
  return path
}

/** Runs a program of the built application to its end; its exit code becomes this command's. */
function run(file: string, args: readonly string[], env: NodeJS.ProcessEnv = {}): Promise<void> {
  const child = spawn(process.execPath, [built(file), ...args], { stdio: 'inherit', env: { ...process.env, ...env } })
  const pass = (signal: NodeJS.Signals) => child.kill(signal)
  process.on('SIGINT', pass).on('SIGTERM', pass)
  return new Promise(resolve => {
    child.once('exit', code => {
      if (code) process.exit(code)
      resolve()
    })
  })
}

const data = { type: 'string', description: 'folder of the workshop’s data (WOBRIN_DATA, else data)' } as const
const json = { type: 'boolean', description: 'print JSON' } as const
const folderArgs = (args: { data?: string; json?: boolean }) => [
  ...(args.data ? ['--data', args.data] : []),
  ...(args.json ? ['--json'] : []),
]

export const serve = defineCommand({
  meta: { name: 'serve', description: 'Start the application on a data folder; Ctrl+C stops it.' },
  args: {
    data,
    port: { type: 'string', description: 'port to serve at', default: '4170' },
    host: { type: 'string', description: 'address to listen on (this machine alone)', default: '127.0.0.1' },
  },
  run: ({ args }) =>
    run('index.mjs', [], {
      PORT: args.port,
      HOST: args.host,
      NODE_ENV: 'production',
      ...(args.data ? { WOBRIN_DATA: args.data } : {}),
    }),
}) as CommandDef

const TOOL = 'companions/workshop-tool.mjs'

export const restore = defineCommand({
  meta: { name: 'restore', description: 'Put a backup back; what is there is kept. The server must be stopped.' },
  args: {
    backup: { type: 'positional', required: false, description: 'a file, or its name; else the newest good one' },
    data,
    json,
  },
  run: ({ args }) => run(TOOL, ['restore', ...(args.backup ? [args.backup] : []), ...folderArgs(args)]),
}) as CommandDef

export const backup = defineCommand({
  meta: { name: 'backup', description: 'Back up a workshop’s database, with the server running or not.' },
  args: { data, json },
  run: ({ args }) => run(TOOL, ['backup', ...folderArgs(args)]),
}) as CommandDef

export const exportTo = defineCommand({
  meta: { name: 'export', description: 'Write a workshop, or one drive, as an archive of open files.' },
  args: {
    file: { type: 'positional', required: false, description: 'the archive to write; else one named by the day' },
    drive: { type: 'string', description: 'tag of one drive; else the whole workshop' },
    'without-photos': { type: 'boolean', description: 'leave photos out; they may hold place and time' },
    data,
    json,
  },
  run: ({ args }) =>
    run(TOOL, [
      'export',
      ...(args.file ? [args.file] : []),
      ...(args.drive ? ['--drive', args.drive] : []),
      ...(args['without-photos'] ? ['--without-photos'] : []),
      ...folderArgs(args),
    ]),
}) as CommandDef

export const importFrom = defineCommand({
  meta: { name: 'import', description: 'Read an archive into a workshop, with the server running or not.' },
  args: {
    file: { type: 'positional', description: 'the archive' },
    data,
    json,
  },
  run: ({ args }) => run(TOOL, ['import', args.file!, ...folderArgs(args)]),
}) as CommandDef

export const verify = defineCommand({
  meta: { name: 'verify', description: 'Read a workshop through: what is damaged or missing, each by name.' },
  args: { data, json },
  run: ({ args }) => run(TOOL, ['verify', ...folderArgs(args)]),
}) as CommandDef
