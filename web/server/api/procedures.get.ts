import type { OwnProcedures } from '../../shared/knowledge'

/** How parts are changed in this workshop, where it has edited that. */
export default api((_event, { knowledge }): OwnProcedures => ({ own: knowledge.ownProcedures() }))
