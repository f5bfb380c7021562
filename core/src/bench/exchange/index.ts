export { exchangeEntries, type Exchange } from './exchange-entries'
export { complaintsToPass, differsFor, whyNot, type OnFile } from './may-replace'
export { factorsFrom, toldByReplacement } from './outside'
