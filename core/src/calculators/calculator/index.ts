export {
  judgeCalculator,
  keysOf,
  maybe,
  num,
  readValues,
  rowKey,
  type Field,
  type Judged,
  type Row,
  type Calculator,
  type CalculatorLine,
  type CalculatorList,
  type CalculatorResult,
  type CalculatorTable,
  type Values,
} from './calculator'
export { QUANTITIES, awgArea, awgDiameter, readQuantity, type Quantity } from './quantity'
export { toCsv } from './to-csv'
