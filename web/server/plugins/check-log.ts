import { logLine } from '../services/server-log'

/** So long after the start every log is followed along its chain: pages come first. */
const AFTER_MS = 5000

export default defineNitroPlugin(nitro => {
  const timer = setTimeout(async () => {
    const { logCheck } = await useServices()
    for (const said of (await logCheck.run()).problems) logLine('error', said)
  }, AFTER_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearTimeout(timer))
})
