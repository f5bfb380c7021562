/** The least that can answer over HTTP with a database open: what the server's start is measured beside. */
import { createServer } from 'node:http'
import Database from 'better-sqlite3'

const db = new Database(process.argv[2])
db.pragma('journal_mode = WAL')
const { drives } = db.prepare('select count(*) as drives from drives').get()
createServer((_, answer) => answer.end(JSON.stringify({ drives }))).listen(Number(process.env.PORT), '127.0.0.1')
