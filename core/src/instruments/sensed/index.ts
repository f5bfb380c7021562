export { sense, type Sensed, type SensedAsk } from './sense'
