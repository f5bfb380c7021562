import Papa from 'papaparse'
import type { CalculatorTable } from './calculator'

/** A table as CSV (RFC 4180), its columns in the first line. */
export const toCsv = (table: Pick<CalculatorTable, 'columns' | 'rows'>): string =>
  `${Papa.unparse([[...table.columns], ...table.rows.map(r => [...r])])}\r\n`
