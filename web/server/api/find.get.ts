export default api((event, { finder }) => finder.find(String(getQuery(event).q ?? '').slice(0, 200)))
