/** Browser tests run side by side, one worker for each core that the machine is taken to have. */
export const WORKERS = 2

const FIRST = Number(process.env.E2E_PORT || 4179)

/** Port of a worker's own server; the one above it is used while its workshop is filled. */
export const portOf = (worker: number): number => FIRST + 2 * worker
