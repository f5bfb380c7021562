export default api((_event, { donors }) => donors.list())
