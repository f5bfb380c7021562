/** Where the workshop's data is kept and how much there is. */
export default api((_, { drives, captures, photos, folder }) => ({
  data: folder.root,
  ...drives.count(),
  ...captures.count(),
  ...photos.count(),
}))
