/** Where the drawing can be taken hold of. */
import type { PartRef, Section } from 'core'

import type { Scale } from '~/views/section/scale.ts'

/** One thing in the drawing that can be taken hold of, in units of the drawing. */
export interface Handle {
  readonly part: PartRef
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** A coupler is taken hold of by its sleeve, over the shaft. */
const COUPLER = { widthMm: 26, heightMm: 18 }
/** How much can be taken hold of of what has no width of its own. */
const PLANETARY_WIDTH_MM = 10
const DIFFERENTIAL = { widthMm: 26, heightMm: 30 }
const THREAD_WIDTH_MM = 24

/** A part as a box about its middle, in mm along its shaft and off the axis of the input. */
interface Block {
  readonly part: PartRef
  readonly atMm: number
  readonly widthMm: number
  readonly yMm: number
  readonly heightMm: number
}

/** Everything that can be taken hold of; what comes later lies over what came before. */
export function handlesOf(section: Section, scale: Scale): readonly Handle[] {
  return blocksOf(section).map(({ part, atMm, widthMm, yMm, heightMm }) => ({
    part,
    x: scale.x(atMm - widthMm / 2),
    width: widthMm * scale.perMmX,
    y: scale.y(yMm - heightMm / 2),
    height: heightMm * scale.perMmY,
  }))
}

function blocksOf(section: Section): readonly Block[] {
  return [
    ...section.members.map(({ member: { id, fromMm, toMm }, yMm, radiusMm }) => ({
      part: { list: 'members', id } as const,
      atMm: (fromMm + toMm) / 2,
      // The check tells of ends that were entered the wrong way round; they are drawn all the same.
      widthMm: Math.abs(toMm - fromMm),
      yMm,
      heightMm: 2 * radiusMm,
    })),
    ...section.gears.map(({ gear: { id, stationMm }, yMm, widthMm, radiusMm }) => ({
      part: { list: 'gears', id } as const,
      atMm: stationMm,
      widthMm,
      yMm,
      heightMm: 2 * radiusMm,
    })),
    ...section.couplers.map(({ coupler: { id, stationMm }, yMm, baseRadiusMm }) => ({
      ...COUPLER,
      part: { list: 'couplers', id } as const,
      atMm: stationMm,
      yMm: yMm - baseRadiusMm - COUPLER.heightMm / 2,
    })),
    ...linkBlocks(section),
    ...section.pieces.map(({ piece: { id }, yMm, fromMm, toMm, innerMm, outerMm }) => ({
      part: { list: 'pieces', id } as const,
      atMm: (fromMm + toMm) / 2,
      widthMm: toMm - fromMm,
      // On one side of the shaft, so that shaft and gear can be taken hold of on the other.
      yMm: yMm + (innerMm + outerMm) / 2,
      heightMm: outerMm - innerMm,
    })),
  ]
}

function linkBlocks({ planetaries, differentials, worms }: Section): readonly Block[] {
  return [
    ...planetaries.map(({ link: { id }, yMm, stationMm, sunRadiusMm, ringRadiusMm }) => ({
      part: { list: 'links', id } as const,
      atMm: stationMm,
      widthMm: PLANETARY_WIDTH_MM,
      yMm: yMm - (sunRadiusMm + ringRadiusMm) / 2,
      heightMm: ringRadiusMm - sunRadiusMm,
    })),
    ...differentials.map(({ link: { id }, yMm, stationMm }) => ({
      ...DIFFERENTIAL,
      part: { list: 'links', id } as const,
      atMm: stationMm,
      yMm,
    })),
    ...worms.map(({ link: { id }, yMm, stationMm, radiusMm }) => ({
      part: { list: 'links', id } as const,
      atMm: stationMm,
      widthMm: THREAD_WIDTH_MM,
      yMm,
      heightMm: 2 * radiusMm,
    })),
  ]
}
