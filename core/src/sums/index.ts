export { awgArea, awgDiameter, QUANTITIES, readQuantity, type Quantity } from './quantity'
export { judgeSum, maybe, num, type Field, type Judged, type Sum, type SumLine, type SumResult, type Values } from './sum'
