import { Stopped } from '~/utils/send-file'

/** A fault that no page caught is said at the foot of the page, in one sentence: nothing is lost in silence. */
export default defineNuxtPlugin(nuxt => {
  const notices = useNotices()
  const say = (error: unknown): void => {
    // What a person stopped is no fault, and a page that cannot be shown says so itself.
    if (error instanceof Stopped || (error as { fatal?: boolean } | null)?.fatal) return
    notices.problem(problemText(error))
  }
  nuxt.hook('vue:error', say)
  window.addEventListener('unhandledrejection', event => {
    say(event.reason)
  })
})
