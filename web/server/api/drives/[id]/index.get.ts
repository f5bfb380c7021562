export default api((event, { drives }) => {
  const drive = drives.get(param(event, 'id'))
  return { drive, log: drives.log(drive.id) }
})
