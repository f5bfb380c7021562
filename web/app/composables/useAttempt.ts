/** Does something that may fail; a failure is shown at the foot of the page and nothing on it changes. */
export function useAttempt() {
  const notices = useNotices()
  return async (run: () => Promise<unknown>): Promise<boolean> => {
    const problem = await run().then(() => null, problemText)
    if (problem) notices.problem(problem)
    return problem === null
  }
}
