/** Whether every entry is as it was written, by the last check. */
export default api((_event, { logCheck }) => logCheck.state())
