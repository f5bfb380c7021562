import { StartProblem } from '../services/start'
import { storageProblem } from '../services/storage-problem'

/** What ends the server is said in one line, without where in the program it came up. */
function end(error: unknown): never {
  const { message, code, stack } = error as NodeJS.ErrnoException
  const port = process.env.PORT || '3000'
  const taken = code === 'EADDRINUSE' && `Port ${port} is taken. Stop what uses it, or choose another with PORT.`
  const kept = code === 'EACCES' && /listen/.test(message) && `Port ${port} may not be used. Choose another with PORT.`
  const plain = error instanceof StartProblem ? message : taken || kept || storageProblem(error)
  console.error(`Wobrin does not start: ${plain || (stack ?? message)}`)
  process.exit(1)
}

/** Opens the database at start, so that a bad one is known before the first page. Files are its owner's alone. */
export default defineNitroPlugin(nitro => {
  process.umask(0o077)
  process.prependListener('uncaughtException', error => {
    if ((error as NodeJS.ErrnoException).syscall === 'listen') end(error)
  })
  useServices().catch(end)
  nitro.hooks.hook('close', () => stopServices())
})
