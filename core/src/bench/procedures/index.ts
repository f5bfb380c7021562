export { changePart, procedureOf, PROCEDURES, procedureSteps, type Steps } from './procedures'
export { GLUED, GLUES, gluesFor, type Glue, type Glued } from './glue'
export type { Procedure, ProcedureStep, Rests } from './procedure'
