import { array, boolean, object, string } from 'yup'
import { UUID } from './patterns'

const uuid = () => string().matches(UUID, 'Ids are UUIDs.')
/** Ids of entries. */
const entries = () => array(uuid().required()).max(1000, 'At most 1000 entries are erased at once.').default([])

/** What is to be erased of a drive's log. */
export const erasureSchema = object({
  id: uuid().required(),
  ownerWords: boolean().default(false),
  words: entries(),
  photos: entries(),
}).noUnknown()

/** A whole drive goes when its tag is typed. */
export const eraseDriveSchema = object({
  tag: string().trim().required('Type the tag of the drive.').max(40),
}).noUnknown()
