export default api((_event, { backups }) => backups.make(new Date().toISOString()))
