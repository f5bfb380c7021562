export default api((event, { profiles }) => {
  profiles.remove(param(event, 'id'))
  return { removed: true }
})
