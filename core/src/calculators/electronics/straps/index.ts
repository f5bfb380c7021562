export { ASPECT_IDS, ASPECTS, type AspectId } from './aspects'
export { inferStraps, MOST_STRAPS, rightWhile, type Decides, type StrapBelief, type StrapTry } from './infer-straps'
export { nextStrap, type Need, type Needs, type StrapAdvice } from './next-strap'
export { strapsCalculator } from './straps-calculator'
