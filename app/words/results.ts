import type { Analysis } from 'core'

import { formatRatio } from './format.ts'

/** What a key says of its position, in the room that it has. */
export function shortResult(analysis: Analysis): string {
  // To a driver, wheels that can only turn against each other stand.
  if ('opposed' in analysis && analysis.opposed.length > 0) return 'locked wheels'
  switch (analysis.state) {
    case 'drive':
      return formatRatio(analysis.ratio)
    case 'uncounted':
      return `${analysis.gears.length} to count`
    case 'neutral':
      return 'neutral'
    case 'locked':
      return 'locked'
    case 'input-locked':
      return 'input locked'
    case 'output-locked':
      return 'output locked'
    case 'undetermined':
      return 'not settled'
  }
}
