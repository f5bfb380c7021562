/** What is to be done on all open drives, for the plan of a bench day. */
export default api((_, { bench }) => bench.day(Date.now()))
