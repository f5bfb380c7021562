import { flagAt, listAt, namesAt, numberAt, numbersAt, objectAt, refuseField, textAt } from '../../base/json'
import { nearestIds } from '../../diagnosis'
import { isMechanismId, MECHANISM_IDS } from '../../drives'
import type { Box, BoxDrive, PartCondition } from './box'

const MOST_DRIVES = 1000
const MOST_PARTS = 500
const VALUE = { least: 0, most: 1e9 }
const MINUTES = { least: 0, most: 100_000 }
const CONDITIONS: readonly PartCondition[] = ['good', 'bad', 'unknown']

/**
 * A box of drives, of JSON that somebody wrote.
 * @throws InputError in one sentence, with the field
 */
export function readBox(input: unknown): Box {
  const file = objectAt(input, 'the file', 'an object with drives')
  const drives = listAt(file.drives, 'drives', MOST_DRIVES).map((d, i) => readDrive(d, `drives[${i}]`))
  const ids = new Set<string>()
  drives.forEach(({ id }, i) => {
    if (ids.has(id)) refuseField(`drives[${i}].id`, `the drive “${id}” is there twice`, 'an id of its own for each')
    ids.add(id)
  })
  const mayTakeFromUsed = namesAt(file.mayTakeFromUsed, 'mayTakeFromUsed', MOST_DRIVES)
  const strange = mayTakeFromUsed.find(id => !ids.has(id))
  if (strange !== undefined)
    refuseField(
      'mayTakeFromUsed',
      `there is no drive “${strange}”`,
      `one such as ${nearestIds(strange, [...ids]).join(', ')}`,
    )
  return { drives, mayTakeFromUsed, moves: numbersAt(file.moves, 'moves', MINUTES) }
}

function readDrive(value: unknown, field: string): BoxDrive {
  const drive = objectAt(value, field, 'an object with id, mechanism, model, value and parts')
  const mechanism = textAt(drive.mechanism, `${field}.mechanism`, `one of ${MECHANISM_IDS.join(', ')}`)
  if (!isMechanismId(mechanism))
    refuseField(`${field}.mechanism`, `there is no drive type “${mechanism}”`, `one of ${MECHANISM_IDS.join(', ')}`)
  const parts = objectAt(drive.parts, `${field}.parts`, 'good, bad or unknown for each part')
  if (Object.keys(parts).length > MOST_PARTS)
    refuseField(`${field}.parts`, `there are ${Object.keys(parts).length} of them`, `at most ${MOST_PARTS}`)
  for (const [part, condition] of Object.entries(parts))
    if (!CONDITIONS.includes(condition as PartCondition))
      refuseField(`${field}.parts.${part}`, `a part cannot be ${JSON.stringify(condition)}`, CONDITIONS.join(', '))
  return {
    id: textAt(drive.id, `${field}.id`, 'a text of its own'),
    mechanism,
    model: textAt(drive.model, `${field}.model`, 'the model, by which parts fit'),
    value: numberAt(drive.value, `${field}.value`, VALUE),
    inUse: drive.inUse !== undefined && flagAt(drive.inUse, `${field}.inUse`),
    parts: parts as Record<string, PartCondition>,
  }
}
