/**
 * Draws the teeth of turning gears, frame by frame, away from the page: on a canvas
 * that the page has handed over, so that nothing it does waits for a frame.
 */
import type { MovingBlock } from '~/views/section/toothMarks.ts'
import { toothHeights } from '~/views/section/toothMarks.ts'

/** The gears that are to be seen turning from now on. */
export interface MovingGears {
  readonly blocks: readonly MovingBlock[]
  /** Turns of the input in a second; 0 stands still. */
  readonly turnsPerSecond: number
  /** Size of the viewBox that the blocks are given in. */
  readonly width: number
  readonly height: number
}

/** What they are drawn on. */
export interface MotionSurface {
  /** Nobody sees it: nothing need move. */
  readonly isHidden: boolean
  /** Size of the canvas, and its pixels for one pixel of the page. */
  readonly pixelWidth: number
  readonly pixelHeight: number
  readonly pixelRatio: number
  /** Colours of the marks on solid and on open gears. */
  readonly solid: string
  readonly open: string
}

export type MotionMessage =
  | { readonly kind: 'canvas'; readonly canvas: OffscreenCanvas }
  | { readonly kind: 'gears'; readonly gears: MovingGears }
  | { readonly kind: 'surface'; readonly surface: MotionSurface }

/** A frame that comes after a longer pause than this, in seconds, moves no further. */
const LONGEST_FRAME_S = 0.1
/** Marks nearer than this to one another, in pixels of the page, would run into one. */
const NEAREST_PX = 2

let context: OffscreenCanvasRenderingContext2D | null = null
let gears: MovingGears | undefined
let surface: MotionSurface | undefined
let frame = 0
let before: number | undefined
/** By how many teeth each gear has turned; kept from one position to the next. */
const phases = new Map<string, number>()

function draw(
  to: OffscreenCanvasRenderingContext2D,
  { blocks, width, height }: MovingGears,
  { pixelWidth, pixelHeight, pixelRatio, solid, open }: MotionSurface,
): void {
  // As the browser fits the viewBox of the drawing underneath.
  const fit = Math.min(pixelWidth / width, pixelHeight / height)
  const [left, top] = [(pixelWidth - width * fit) / 2, (pixelHeight - height * fit) / 2]
  to.clearRect(0, 0, pixelWidth, pixelHeight)
  for (const block of blocks) {
    to.fillStyle = block.isSolid ? solid : open
    const x = left + block.x * fit
    let last = -Infinity
    for (const height of toothHeights(block, phases.get(block.gear) ?? 0)) {
      const y = top + height * fit
      if (y - last < NEAREST_PX * pixelRatio) continue
      to.fillRect(x, y, block.width * fit, pixelRatio)
      last = y
    }
  }
}

function step(now: number): void {
  frame = 0
  if (!context || !gears || !surface) return
  const turnsPerSecond = surface.isHidden ? 0 : gears.turnsPerSecond
  const seconds = before === undefined ? 0 : Math.min((now - before) / 1000, LONGEST_FRAME_S)
  before = now
  for (const { gear, downwards, toothCount } of gears.blocks)
    phases.set(
      gear,
      ((phases.get(gear) ?? 0) + downwards * toothCount * turnsPerSecond * seconds) % 1,
    )
  draw(context, gears, surface)
  if (turnsPerSecond > 0) frame = requestAnimationFrame(step)
}

addEventListener('message', ({ data }: MessageEvent<MotionMessage>) => {
  if (data.kind === 'canvas') context = data.canvas.getContext('2d')
  else if (data.kind === 'gears') gears = data.gears
  else {
    surface = data.surface
    const { pixelWidth, pixelHeight } = surface
    if (context && (context.canvas.width !== pixelWidth || context.canvas.height !== pixelHeight)) {
      context.canvas.width = pixelWidth
      context.canvas.height = pixelHeight
    }
  }
  if (frame === 0) {
    before = undefined
    frame = requestAnimationFrame(step)
  }
})
