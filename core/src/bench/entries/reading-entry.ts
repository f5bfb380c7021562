import type { DriveFacts, NewEntry } from '../../log'
import { recordReading, type ReadingInput } from '../../diagnosis/readings'
import { measured, type Sent } from './measured'

/**
 * A reading that a person typed, as a log entry.
 * @throws ParameterError that names the field
 */
export const readingEntry = (input: Sent & ReadingInput, drive: DriveFacts): NewEntry =>
  measured(drive, input, recordReading(input, drive))
