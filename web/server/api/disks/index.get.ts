export default api((_, { disks }) => disks.view())
