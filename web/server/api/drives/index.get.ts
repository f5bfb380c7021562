/** Every drive as a thing, without its log. */
export default api((_, { drives }) => drives.list())
