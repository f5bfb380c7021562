/** The whole workshop as one archive, streamed. */
export default api((event, { archives }) => sendArchive(event, archives.export(new Date().toISOString())))
