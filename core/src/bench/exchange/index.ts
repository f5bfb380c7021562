export { complaintsToPass, differsFor, exchangeEntries, whyNot, type Exchange, type OnFile } from './exchange-entries'
export { factorsFrom, toldByReplacement } from './outside'
