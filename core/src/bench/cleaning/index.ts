export { adviseCleaning, neverOf, type Advice, type AdviceInput, type AdviceStep } from './advise'
export { AGENTS, findAgent, isAgentId, type Agent } from './agents'
export { LUBRICANT_SCHOOLS, lubrication, type LubricantSchool } from './lubricate'
export { MATERIALS, SOILS, isMaterial, isSoil, type Material, type Soil } from './materials'
