export default api((_event, { backups }) => backups.list())
