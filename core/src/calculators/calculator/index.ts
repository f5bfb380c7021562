export { awgArea, awgDiameter, QUANTITIES, readQuantity, type Quantity } from './quantity'
export { gravestOf, plain, upperFirst, type Point } from './points'
export {
  judgeSum,
  keysOf,
  maybe,
  num,
  readValues,
  rowKey,
  type Field,
  type Judged,
  type Row,
  type Sum,
  type SumLine,
  type SumList,
  type SumResult,
  type SumTable,
  type Values,
} from './sum'
export { toCsv } from './to-csv'
