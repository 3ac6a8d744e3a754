import Papa from 'papaparse'

/** Units of the tables' columns by how their names end, as UCUM writes them (ucum.org, *The Unified Code*). */
const UCUM: readonly [ending: string, code: string][] = [
  ['_yd', '[yd_i]'],
  ['_ft', '[ft_i]'],
  ['_m_s', 'm/s'],
  ['_mps', 'm/s'],
  ['_ms', 'm/s'],
  ['_m', 'm'],
  ['_mph', '[mi_i]/h'],
  ['_kmh', 'km/h'],
  ['_deg', 'deg'],
  ['_rpm', '{rev}/min'],
  ['_percent', '%'],
  ['_pct', '%'],
  ['_c', 'Cel'],
  ['_hpa', 'hPa'],
]

/** The UCUM code of a column's unit; null for text and counts. @example unitOfColumn('carry_yd') // => '[yd_i]' */
export const unitOfColumn = (name: string): string | null =>
  UCUM.find(([ending]) => name.toLowerCase().endsWith(ending))?.[1] ?? null

/**
 * What stands in a CSV file of ours, for machines: its columns (W3C, *Metadata Vocabulary for Tabular Data*, 2015) and
 * their units (QUDT's property for a UCUM code; its name from memory).
 * @param file the table's name beside this one
 * @param text the table, whose first line names the columns
 */
export function tableMetadata(file: string, title: string, text: string): object {
  const [header = []] = Papa.parse<string[]>(text.slice(0, Math.max(0, text.indexOf('\n')))).data
  return {
    '@context': ['http://www.w3.org/ns/csvw', { '@language': 'en' }],
    'url': file,
    'dc:title': title,
    'dialect': { header: true, encoding: 'utf-8' },
    'tableSchema': {
      columns: header.map(name => {
        const unit = unitOfColumn(name)
        return {
          name,
          titles: name,
          ...(unit && { 'datatype': 'number', 'http://qudt.org/schema/qudt/ucumCode': unit }),
        }
      }),
    },
  }
}
