/** How measurements are made, for the page that asks for them. Common practice. */
import type { Measure } from 'core'

import type { Vocabulary } from './vocabulary.ts'
import { inWords } from './vocabulary.ts'

/** How it is done, said beside the entry. */
const MEASURE_HINTS: Readonly<Record<Measure, string>> = {
  'ring-gap':
    'Clean and dry the ring and its cone. Press the ring square on the cone by hand, and slide the leaves in at three or more places round it. Oil on the cone or a cocked ring reads wrong. Write stacked leaves with + between them, and what went in and what did not with two points between: thinner..thicker.',
  'dog-engagement': 'Sleeve fully home: how far its teeth reach over the dog teeth.',
  'fork-clearance':
    'Leaves between the fork’s pad and the groove of the sleeve, pad by pad. Stacked leaves are written with + between them.',
  'spline-rock':
    'Hold the shaft, rock the flange or sprocket, and read the whole way it goes at a radius you measure.',
  'end-play':
    'Dial on the end, push and pull the part, read all of its way. Preload is end play below 0.',
  backlash: 'Dial square on a tooth, mate held: read at several teeth round the gear.',
  'run-out': 'Dial on the shaft, turn it once by hand: write readings from round it; below 0 too.',
  'bearing-drag': 'Turn steadily and read the torque that keeps it turning, without seals.',
  preload:
    'Bearings oiled and turned in, seals out: read the torque that keeps the shaft turning steadily. The maker gives the least and the most.',
  'running-clearance':
    'Read the bore at several places and across, then what runs in it once. The widest bore less the journal is the clearance.',
  thickness: 'Micrometer at several places; the thinnest counts.',
  'groove-width': 'Width of the groove that holds it, all round; the widest counts.',
  'free-length': 'Length with nothing on it. A spring that has been hot or set is shorter.',
  flatness: 'On a flat plate, or under a straight edge: the thickest leaf that goes in anywhere.',
  'stack-height': 'Each plate of the pack is one reading; their sum is judged.',
  'pack-clearance': 'Pack built up with its snap ring in: dial or leaf between plate and ring.',
  'cone-contact':
    'A thin film of blue on the cone, ring pressed on and turned a little: the share of the cone that took it.',
}

/** How a measurement is made. */
export function measureHint(words: Vocabulary, measure: Measure): string {
  return inWords(words, MEASURE_HINTS[measure])
}
