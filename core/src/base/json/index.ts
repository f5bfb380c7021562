export {
  flagAt,
  listAt,
  namesAt,
  numberAt,
  numbersAt,
  objectAt,
  quoted,
  refuseField,
  textAt,
  type Json,
  type NumberLimits,
} from './json-fields'
