/** Drives of the same model, what they turned out to have, and what is remembered of the model. */
export default api((event, { drives, identical }) => identical.view(drives.get(param(event, 'id'))))
