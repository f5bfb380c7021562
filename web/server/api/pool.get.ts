/** What can be made of drives of one model with the good parts of the others. */
export default api((_, { pooling }) => pooling.models())
