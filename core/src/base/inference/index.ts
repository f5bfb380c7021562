export { marginalsOf, searchPosterior, type Explained, type JointModel } from './search'
