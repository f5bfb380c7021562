export { bestNext, type NextThing } from './best-next'
export { nextStep, progressOf, type Progress } from './progress'
export { STATIONS, findStation, type Station, type Step } from './stations'
export { speedEntries, trimmerHistory } from './trimmer-history'
