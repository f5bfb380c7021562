/** Why a server does not start, in words for the person who started it; nothing was changed. */
export class StartProblem extends Error {
  override readonly name = 'StartProblem'
}
