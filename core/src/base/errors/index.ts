export { AbortedError, InputError, LimitError, ParameterError, type InputPlace } from './errors'
