export { partsThere, SUSPECTED, type CaseOfParts, type PartThere } from './parts-there'
export { lentOut, partsLog, type LentPart, type PartsLog } from './parts-log'
