/** The whole workshop as one archive, streamed; `?photos=no` leaves out photos as the camera made them. */
export default api(async (event, { archives }) =>
  sendArchive(event, await archives.export(new Date().toISOString(), undefined, getQuery(event).photos !== 'no')),
)
