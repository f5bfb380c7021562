/** Folder of the repository. */
export const root: string
/** Script of the built server. */
export const serverScript: string
