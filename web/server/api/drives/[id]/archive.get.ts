/** One drive with its log, recordings and photos as an archive. */
export default api(async (event, { archives }) =>
  sendArchive(event, await archives.export(new Date().toISOString(), param(event, 'id'))),
)
