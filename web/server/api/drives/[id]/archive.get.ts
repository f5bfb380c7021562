/** One drive with its log, recordings and photos as an archive. */
export default api((event, { archives }) =>
  sendArchive(event, archives.export(new Date().toISOString(), param(event, 'id'))),
)
