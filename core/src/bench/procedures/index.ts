export { changePart, procedureOf, PROCEDURES, procedureSteps, type Steps } from './procedures'
export { GLUED, GLUES, gluesFor, type Glue, type Glued } from './glue'
export { readProcedures, writeProcedures } from './procedures-file'
export type { Procedure, ProcedureStep } from './procedure'
