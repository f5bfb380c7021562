import { Stopped } from '~/utils/send-file'

/** A fault that no page caught is said at the foot of the page, in one sentence: nothing is lost in silence. */
export default defineNuxtPlugin(nuxt => {
  const notices = useNotices()
  const say = (error: unknown): void => {
    // What a person stopped is no fault, and a page that cannot be shown says so itself.
    if (error instanceof Stopped || (error as { fatal?: boolean } | null)?.fatal) return
    // A page that works without a connection says by itself that there is none; pieces for later come when it is back.
    if (outboxInUse() && /dynamically imported module/.test(String(error))) return
    notices.problem(problemText(error))
  }
  nuxt.hook('vue:error', say)
  window.addEventListener('unhandledrejection', event => {
    say(event.reason)
  })
})
