import { ELECTRIC_READINGS } from './electric-readings'
import { HOST_TEST_READINGS } from './host-test-readings'
import { LINE_READINGS } from './line-readings'
import { SENSOR_READINGS } from './sensor-readings'
import { TRIAL_READINGS } from './trial-readings'
import type { Check } from './types'

/** Readings by meter, probe, eye and ear. */
export const READING_CHECKS: readonly Check[] = [
  ...ELECTRIC_READINGS,
  ...LINE_READINGS,
  ...SENSOR_READINGS,
  ...TRIAL_READINGS,
  ...HOST_TEST_READINGS,
]
