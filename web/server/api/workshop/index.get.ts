export default api((_, { workshop }) => workshop.get())
