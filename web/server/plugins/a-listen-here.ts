/**
 * Without a word from the person the server listens to this machine alone. The runtime reads HOST after the plugins
 * have
 * run and would listen to every address where it is unset or empty.
 */
export default defineNitroPlugin(() => {
  process.env.HOST ||= '127.0.0.1'
})
