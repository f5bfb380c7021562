import type { Offer, Want } from '../../src/parts'
import { driveFacts } from '../log'

/** A drive that wants, by its tag and model. */
export const wanting = (tag: string, model = 'E80', mechanism = '3.5in-eject') => {
  const { id: _, ...facts } = driveFacts({ tag, maker: 'Staithe', model, mechanism: mechanism as '3.5in-eject' })
  return { id: tag, ...facts }
}

export const want = (part: string, tag: string, more: Partial<Want> = {}): Want => ({
  key: `${tag} ${part}`,
  drive: wanting(tag),
  part,
  label: part,
  why: 'found',
  says: 'It is broken.',
  share: 1,
  measures: {},
  ...more,
})

export const offer = (part: string, key: string, more: Partial<Offer> = {}): Offer => ({
  key,
  place: 'shelf',
  part,
  label: part,
  drive: null,
  model: { mechanism: '3.5in-eject', maker: 'Staithe', model: 'E80' },
  known: 'tested',
  says: '',
  measures: {},
  where: 'drawer 3',
  ...more,
})
