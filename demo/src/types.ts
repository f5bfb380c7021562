import type { DriveFacts } from '@wobrin/core/log'

/** What is said of a drive when it comes in. */
export type NewDrive = Omit<DriveFacts, 'id' | 'receivedAt' | 'simulated'>
