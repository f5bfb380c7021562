// Puts a backup of the database in the place of the one that is there, which is kept beside it. With the server
// stopped.
// node scripts/restore.mjs <backup.sqlite> [data folder]
import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join, resolve } from 'node:path'

const say = (line, code) => {
  console[code ? 'error' : 'log'](line)
  process.exit(code)
}

const [backup, folder = process.env.WOBRIN_DATA || 'data'] = process.argv.slice(2)
if (!backup) say('Say which backup: node scripts/restore.mjs data/backups/by-hand-….sqlite', 2)
if (!existsSync(backup)) say(`There is no file ${backup}; nothing was changed.`, 2)

const Database = createRequire(join(import.meta.dirname, '../web/package.json'))('better-sqlite3')
const open = (path, options) => {
  try {
    return new Database(path, options)
  } catch (error) {
    return say(`${path} cannot be opened (${error.message}); nothing was changed.`, 2)
  }
}

const copy = open(backup, { readonly: true })
let sound
try {
  sound =
    copy.pragma('integrity_check', { simple: true }) === 'ok' &&
    copy.prepare("select count(*) as n from sqlite_master where name = 'log_entries'").get().n === 1
} catch {
  sound = false
}
if (!sound) say(`${backup} is no sound backup of a workshop; nothing was changed.`, 2)
const { drives, entries } = copy
  .prepare('select (select count(*) from drives) as drives, (select count(*) from log_entries) as entries')
  .get()
copy.close()

const root = resolve(folder)
const target = join(root, 'wobrin.sqlite')
mkdirSync(join(root, 'backups'), { recursive: true })
if (existsSync(target)) {
  // Whoever has it open would go on writing into the file that is moved away.
  const own = open(target, {})
  try {
    own.pragma('locking_mode = EXCLUSIVE')
    own.exec('begin exclusive; commit')
    own.pragma('wal_checkpoint(TRUNCATE)')
    own.pragma('journal_mode = DELETE')
  } catch {
    say('The workshop is in use: stop the server first. Nothing was changed.', 2)
  }
  own.close()
  const aside = join(root, 'backups', `before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}.sqlite`)
  copyFileSync(backup, `${target}.restoring`)
  renameSync(target, aside)
  for (const end of ['-wal', '-shm']) rmSync(target + end, { force: true })
  console.log(`What was there is kept as ${aside}.`)
} else {
  copyFileSync(backup, `${target}.restoring`)
}
renameSync(`${target}.restoring`, target)
say(`Restored: ${drives} drives, ${entries} log entries.`, 0)
