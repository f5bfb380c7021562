export default api((_, { bench }) => bench.at(Date.now()))
