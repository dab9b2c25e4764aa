/** Figures in thousandths of an inch that look like inches. */
import { parseSpan } from 'core'

/** Less than a ten-thousandth of an inch is read by no tool of the bench. */
const FINEST_THOU = 0.1

/** Whether a figure in thousandths looks like one in inches, such as 0.018. */
export function isTooFineForThou(text: string): boolean {
  const reading = parseSpan(text)
  const size = reading.ok ? Math.abs(reading.span.high.toNumber()) : 0
  return size > 0 && size < FINEST_THOU
}
