/** The ways in which a drive leaves the bench, in words. */
export const OUTCOMES = {
  released: 'Released',
  parts: 'Stripped for parts',
  quarantined: 'Quarantined',
  returned: 'Returned as it is',
} as const

export type Outcome = keyof typeof OUTCOMES
