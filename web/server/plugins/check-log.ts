import { logProblems } from '../services/server-log'

/** So long after the start every log is followed along its chain: pages come first. */
const AFTER_MS = 5000

export default defineNitroPlugin(nitro => {
  const timer = setTimeout(async () => {
    const { logCheck } = await useServices()
    logProblems((await logCheck.run()).problems)
  }, AFTER_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearTimeout(timer))
})
