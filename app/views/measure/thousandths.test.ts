/** A figure in thousandths under a tenth of one is thinner than any tool of the bench reads (common practice). */
import { isTooFineForThou } from './thousandths.ts'

test.each(['0.018', '.018', '0.045', '-0.002', '0.016..0.018', '0.0999'])(
  '%s is doubted',
  (text) => {
    expect(isTooFineForThou(text)).toBe(true)
  },
)

test.each(['18', '0.1', '1.5', '0', '0.0', '', 'thick', '16..18', '100'])('%s is taken', (text) => {
  expect(isTooFineForThou(text)).toBe(false)
})
