import { parseArgs } from 'node:util'
import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { InputError } from '@wobrin/core/base/errors'
import { BackupService } from '../services/backups'
import { storageProblem } from '../services/storage-problem'
import { openDataFolder } from '../services/data-folder'
import { lockFolder, openToLook, restoreBackup, StartProblem } from '../services/start'
import { exportArchive, importInto } from './carry-archive'
import { verifyFolder } from './verify-folder'

/**
 * What is done to a data folder from the command line: `backup`, `restore [BACKUP]`, `verify`, `export [FILE]` and
 * `import FILE`, each with `--data FOLDER`. Only restore needs the server stopped. Exit code 2 where it was not
 * possible or something is wrong.
 */
async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      data: { type: 'string' },
      json: { type: 'boolean' },
      drive: { type: 'string' },
      'without-photos': { type: 'boolean' },
    },
  })
  const [command, asked] = positionals
  const root = resolve(values.data || process.env.WOBRIN_DATA || 'data')
  // An archive may be read into a workshop that begins with it.
  if (!existsSync(root) && command !== 'import') throw new StartProblem(`There is no folder ${root}.`)
  const folder = openDataFolder(root)
  const say = (data: object, text: string) => console.log(values.json ? JSON.stringify(data) : text)
  const now = new Date().toISOString()
  if (command === 'verify') {
    const found = await verifyFolder(folder)
    const counted = `${found.drives} drives, ${found.entries} log entries, ${found.files} recordings and photos`
    say(
      found,
      [...found.problems, found.problems.length ? `Not all is sound: ${counted}.` : `All is sound: ${counted}.`].join(
        '\n',
      ),
    )
    return found.problems.length ? 2 : 0
  }
  if (command === 'backup') {
    const db = openToLook(folder.database)
    const made = await new BackupService(folder, { $client: db }).make(now)
    db.close()
    say(made, `Backup made: ${made.name}.`)
    return 0
  }
  if (command === 'export') {
    const wish = { drive: values.drive ?? null, file: asked ?? null, photos: !values['without-photos'] }
    const made = await exportArchive(folder, wish, now)
    const left = made.missing.length
    say(made, `Exported to ${made.file}.${left ? ` ${left} recordings or photos did not come along.` : ''}`)
    return 0
  }
  if (command === 'import') {
    if (!asked) throw new StartProblem('Say which archive: `wobrin import FILE`.')
    const came = await importInto(folder, resolve(asked), now)
    const { drives, log_entries: log } = came.tables
    say(came, `Read in: ${drives!.added} drives and ${log!.added} log entries are new, ${came.files} files came along.`)
    return 0
  }
  if (command !== 'restore')
    throw new StartProblem(`“${command ?? ''}” is not a command; there are backup, restore, verify, export and import.`)
  const release = lockFolder(folder.root, { address: 'a restore', process: process.pid, since: now })
  try {
    const { from, kept, drives, entries } = restoreBackup(folder, now, asked ?? null)
    say(
      { from, kept, drives, entries },
      [kept && `What was there is kept as ${kept}.`, `Restored ${from}: ${drives} drives, ${entries} log entries.`]
        .filter(Boolean)
        .join('\n'),
    )
    return 0
  } finally {
    release()
  }
}

main().then(
  code => process.exit(code),
  error => {
    const plain = error instanceof StartProblem || error instanceof InputError ? error.message : storageProblem(error)
    console.error(plain ?? `It failed: ${(error as Error).message}`)
    process.exit(2)
  },
)
