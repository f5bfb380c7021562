export default api((_, { belts }) => belts.view())
