/** What the drive may take, and what it took: by its case, its log, and the drives that left this workshop. */
export default api((event, { drives, worth }) => worth.facts(drives.get(param(event, 'id')), Date.now()))
