export default api((_, { profiles }) => profiles.list())
