export { whatWorks, type WorkBox, type WorkState } from './what-works'
export { isGood } from './seen'
