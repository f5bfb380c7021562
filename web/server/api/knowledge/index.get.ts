/** What this workshop has learned of faults, and which files are in force. */
export default api((_event, { knowledge }) => knowledge.state())
