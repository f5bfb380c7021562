export { readKnowledge, writeKnowledge } from './knowledge-file'
