/** A tag for the next drive that comes in. */
export default api((_, { drives }) => ({ tag: drives.nextTag() }))
