/** The first page goes out before this begins. */
const AFTER_MS = 300

/** Works out the Bench and the parts at hand once the server listens, so that the first who asks does not wait. */
export default defineNitroPlugin(nitro => {
  const timer = setTimeout(async () => {
    const { warm } = await useServices()
    await warm()
  }, AFTER_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearTimeout(timer))
})
