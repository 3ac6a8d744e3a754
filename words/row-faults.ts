import type { RowError, RowFault } from '../core/files/row-fault'
import { ROW_FAULTS } from './en/row-faults'
import { write } from './message'

/**
 * What is wrong with a value of a file, to be put after it.
 * @example rowFaultText({ kind: 'number', least: 1, most: 400 }) // => 'is not a number from 1 to 400'
 */
export function rowFaultText(fault: RowFault): string {
  const { kind, ...figures } = fault
  // As they were compared: no comma is put into them.
  const values = Object.entries<string | number>(figures).map(([name, value]) => [name, String(value)] as const)
  return write(ROW_FAULTS[kind], Object.fromEntries(values))
}

/** A fault of a file as a line of its own: the row, the column, the value, and what is allowed. */
export function rowErrorText({ row, column, value, fault }: RowError): string {
  return `${row > 0 ? `Row ${row}, ` : ''}${column}: "${value}" ${rowFaultText(fault)}`
}
