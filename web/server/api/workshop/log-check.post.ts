/** Checks every log again; answers when it is done. */
export default api((_event, { logCheck }) => logCheck.run())
