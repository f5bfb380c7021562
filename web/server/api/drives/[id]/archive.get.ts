/** One drive with its log, recordings and photos as an archive; `?photos=no` leaves photos out. */
export default api(async (event, { archives }) =>
  sendArchive(
    event,
    await archives.export(new Date().toISOString(), param(event, 'id'), getQuery(event).photos !== 'no'),
  ),
)
