export { openBeltLength, turningParts, type Pulleys, type TurningPart } from './pulleys'
