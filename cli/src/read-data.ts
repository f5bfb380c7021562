import { ParameterError } from '@wobrin/core/base/errors'
import type { CaptureChannel } from '@wobrin/core/signals/captures'

/** The read-data line: the one that is named, or the busiest that was kept. */
export function readData(channels: readonly CaptureChannel[], name?: string): CaptureChannel {
  if (name !== undefined) {
    const named = channels.find(c => c.name === name)
    if (!named?.edges)
      throw new ParameterError(
        `there is no channel “${name}” that could be kept`,
        channels.map(c => c.name).join(', '),
        { field: '--channel' },
      )
    return named
  }
  const busiest = channels.filter(c => c.edges).sort((a, b) => b.edgeCount - a.edgeCount)[0]
  if (!busiest)
    throw new ParameterError('no channel has changes', 'the read-data line among them', { field: '--channel' })
  return busiest
}
