export default api((_, { wanting }) => wanting.all(Date.now()))
