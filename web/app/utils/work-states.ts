import type { WorkState } from '@wobrin/core/diagnosis'

/** States of a function in words, as the map and its legend have them. */
export const WORK_STATES: Readonly<Record<WorkState, string>> = {
  works: 'works',
  fails: 'fails',
  'not tried': 'not tried',
  'not judged': 'cannot be judged yet',
}
