export { readKnowledge, writeKnowledge } from './knowledge-file'
export { locatedJson } from './located'
export { readCondition } from './read-condition'
export { Reader } from './reading'
