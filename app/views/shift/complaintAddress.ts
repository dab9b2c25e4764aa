/** Where a complaint is seen, below the address of its box. */
import type { ComplaintScene } from 'core'

import { formatMoved } from './rodsView.ts'

const address = (path: string, params: Readonly<Record<string, string>>): string =>
  `${path}?${new URLSearchParams(params).toString()}`

/** The page of a box that shows what a complaint is about, set as it has to be. */
export function complaintAddress(scene: ComplaintScene): string {
  switch (scene.on) {
    case 'change': {
      const { from, into, dragNm, inputRpm } = scene
      return address('shift', {
        from: from.id,
        to: into.id,
        ...(dragNm !== undefined && { drag: `${dragNm}` }),
        ...(inputRpm !== undefined && { speed: `${inputRpm}` }),
      })
    }
    case 'engagement': {
      const { of, wayPercent, loadNm } = scene
      return address('shift/engage', { at: of.key, way: `${wayPercent}`, load: `${loadNm}` })
    }
    case 'interlock':
      return address('shift/interlock', { out: scene.out, moved: formatMoved(scene.moved) })
  }
}
