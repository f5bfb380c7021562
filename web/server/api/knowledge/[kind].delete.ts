/** Back to what the program comes with. */
export default api((event, { knowledge }) => knowledge.drop(knowledgeKind(event)))
