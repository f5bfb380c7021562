/** What was asked for is not there. */
export class NotFound extends Error {
  override readonly name = 'NotFound'
}
