import { logLine } from '../services/server-log'

/** First look after the start, and how often after that: a workshop that runs for weeks has one for every day. */
const FIRST_MS = 60_000
const EVERY_MS = 3_600_000

/** Backs the workshop up once a day by itself; a backup that cannot be made is said and tried again. */
export default defineNitroPlugin(nitro => {
  const look = async () => {
    try {
      const { backups } = await useServices()
      await backups.daily(new Date().toISOString())
    } catch (error) {
      logLine('error', `The daily backup was not made: ${(error as Error).message}`)
    }
  }
  const first = setTimeout(look, FIRST_MS)
  const every = setInterval(look, EVERY_MS)
  first.unref()
  every.unref()
  nitro.hooks.hook('close', () => {
    clearTimeout(first)
    clearInterval(every)
  })
})
