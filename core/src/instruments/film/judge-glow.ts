import type { Call } from '../../base/observations'
import type { GlowSeen } from './glow'

/** What two pictures of an infrared LED come to. */
export interface JudgedGlow {
  readonly call: Call
  /** The reading that they give; null where they are no evidence. */
  readonly reading: 'glows' | 'dark' | null
}

/**
 * The call on two pictures, without power and with it.
 * @param seesInfrared whether the camera is known to see infrared: dark is evidence only from one that does
 */
export function judgeGlow(seen: GlowSeen, seesInfrared: boolean): JudgedGlow {
  if (seen.glow)
    return {
      reading: 'glows',
      call: {
        kind: 'leave',
        reasons: ['A spot glows with power that does not glow without it. It is ringed in the picture.'],
        next: 'Check that the spot is where the LED is, then measure the detector.',
      },
    }
  const unknown = (reasons: string[], next: string): Call => ({ kind: 'unknown', reasons, next })
  if (seen.moved)
    return {
      reading: null,
      call: unknown(
        ['The two pictures differ all over: the camera moved, or the light changed.'],
        'Fix the camera, darken the room, and take both pictures again.',
      ),
    }
  return seesInfrared
    ? {
        reading: 'dark',
        call: unknown(
          [
            'No spot glows.',
            'This camera sees infrared, so the LED gives no light, or it points away from the camera.',
          ],
          'Look from straight ahead of the LED. If it stays dark, measure the voltage across it.',
        ),
      }
    : {
        reading: null,
        call: unknown(
          ['No spot glows.', 'It is not known whether this camera sees infrared.'],
          'Show the camera a remote control in the dark first: its light must show.',
        ),
      }
}
