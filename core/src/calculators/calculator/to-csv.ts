import Papa from 'papaparse'
import type { SumTable } from './sum'

/** A table as CSV (RFC 4180), its columns in the first line. */
export const toCsv = (table: Pick<SumTable, 'columns' | 'rows'>): string =>
  `${Papa.unparse([[...table.columns], ...table.rows.map(r => [...r])])}\r\n`
