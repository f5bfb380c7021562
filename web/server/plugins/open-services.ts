/** Opens the database at start, so that a bad one is known before the first page. */
export default defineNitroPlugin(() => {
  useServices().catch(error => {
    console.error(error)
    process.exit(1)
  })
})
