export default api((event, { blame }) =>
  blame.view(typeof getQuery(event).family === 'string' ? (getQuery(event).family as string) : undefined),
)
