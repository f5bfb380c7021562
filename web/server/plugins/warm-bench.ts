/** The first page goes out before this begins. */
const AFTER_MS = 300

/** Works the Bench out once the server listens, so that the first who asks for it does not wait for all of it. */
export default defineNitroPlugin(nitro => {
  const timer = setTimeout(async () => {
    const { bench } = await useServices()
    await bench.warm()
  }, AFTER_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearTimeout(timer))
})
