/** What diagnosis of a drive of a model works from, for the page that weighs it: nothing where nothing is its own. */
export default api((event, { knowledge }) => knowledge.options(String(getQuery(event).model ?? '')))
