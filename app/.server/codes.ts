/** Two-dimensional codes that open a page. */
import QRCode from 'qrcode'

/** A code as squares of one unit: how many to a side, and the dark ones as one path. */
export interface Code {
  readonly size: number
  readonly path: string
}

/** Mends a quarter of a code that is smeared with oil. */
const CORRECTION = 'Q'

/** The code of a text, with runs of dark squares drawn as one. */
export function codeOf(text: string): Code {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: CORRECTION })
  const { size } = modules
  let path = ''
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++) {
      if (modules.get(row, column) === 0) continue
      const from = column
      while (column + 1 < size && modules.get(row, column + 1) !== 0) column++
      path += `M${from} ${row}h${column - from + 1}v1h${from - column - 1}z`
    }
  return { size, path }
}
