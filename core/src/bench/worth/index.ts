export { FINDING_WEIGHS, USUAL_CHANCE } from './chances'
export { VERDICTS, worthIt, type Verdict, type Worth, type WorthInput, type WorthLine } from './worth-it'
export { whatReads, type WhatReads } from './what-reads'
