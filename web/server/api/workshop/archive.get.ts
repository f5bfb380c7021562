/** The whole workshop as one archive, streamed. */
export default api(async (event, { archives }) => sendArchive(event, await archives.export(new Date().toISOString())))
