import { driveNews } from '../services/drive-news'

/** Pages hold a connection each for as long as they are seen: a server that is told to stop lets go of them first. */
export default defineNitroPlugin(() => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => driveNews.end())
})
