/** How soon a file that could hang the page is refused, against reading a good one of the most rows. */
import { strToU8, zipSync } from 'fflate'
import { FileFault, openFile } from '../../app/calculation/workers/import-file'
import { median, report } from './report'

const bytes = (text: string) => new TextEncoder().encode(text) as Uint8Array<ArrayBuffer>
const good = bytes(`club,swing,carry_m,spin_rpm\n${'56°,full,80.4,8150\n'.repeat(100_000)}`)
const far = zipSync({
  '[Content_Types].xml': strToU8('<Types/>'),
  'xl/workbook.xml': strToU8('<workbook/>'),
  'xl/worksheets/sheet1.xml': strToU8(
    '<worksheet><sheetData><row r="1"><c r="A1"><v>1</v></c></row><row ' +
      'r="1048576"><c r="XFD1048576"><v>1</v></c></row></sheetData></worksheet>',
  ),
}) as Uint8Array<ArrayBuffer>
const BAD: [what: string, file: Uint8Array<ArrayBuffer>][] = [
  ['24 MB of quotation marks', bytes('"'.repeat(24e6))],
  ['5 million semicolons', bytes(';'.repeat(5e6))],
  ['100,000 columns', bytes(','.repeat(1e5))],
  ['One cell at XFD1048576', far],
  ['24 MB of short quoted cells', bytes('"a""b"\n'.repeat(3.4e6))],
  ['100,000 rows of 30 empty cells', bytes(`club,carry_m\n${`${','.repeat(29)}\n`.repeat(99_000)}`)],
]

async function time(file: Uint8Array<ArrayBuffer>): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < 3; i++) {
    const from = performance.now()
    await openFile('bench.csv', file).catch((error: unknown) => {
      if (!(error instanceof FileFault)) throw error
    })
    times.push(performance.now() - from)
  }
  return median(times)
}

const { tell, done } = report('files')
const usual = await time(good)
for (const [what, file] of BAD)
  tell(`${what}, refused or read`, await time(file), '100,000 good rows read', usual, 'about 2 s at most')
done()
