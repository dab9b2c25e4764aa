/** Dragging the time line of a change, beside frames of the same page left alone. */
import { openPage, settle, withPage } from './page.ts'
import { FRAME_MS, ms, report } from './measure.ts'

const STEPS = 60

/** `boxPath` is of any box that changes gear. */
export async function benchTimeLine(base: string, boxPath: string): Promise<void> {
  await withPage(async (page) => {
    await settle(page, base)
    await openPage(page, `${base}${boxPath}/shift`)
    await page.locator('#moment').waitFor()
    const frames = await page.evaluate(async (steps) => {
      const frame = (): Promise<number> => new Promise((resolve) => requestAnimationFrame(resolve))
      const p95 = (values: number[]): number =>
        [...values].sort((one, other) => one - other)[Math.floor(values.length * 0.95)] ?? NaN
      const idle: number[] = []
      for (let at = 0; at < steps; at++) {
        const from = performance.now()
        await frame()
        idle.push(performance.now() - from)
      }
      const slider = document.querySelector<HTMLInputElement>('#moment')
      const drawn = document.querySelector('main')
      if (!slider || !drawn) throw new Error('there is no time line')
      const most = Number(slider.max)
      const dragged: number[] = []
      for (let at = 0; at < steps; at++) {
        const seen = { isDrawn: false }
        const observer = new MutationObserver(() => {
          seen.isDrawn = true
        })
        observer.observe(drawn, { subtree: true, attributes: true, characterData: true })
        const from = performance.now()
        if (slider.value === slider.max) slider.stepDown(most)
        else slider.stepUp()
        slider.dispatchEvent(new Event('input', { bubbles: true }))
        do await frame()
        while (!seen.isDrawn && performance.now() - from < 1_000)
        dragged.push(performance.now() - from)
        observer.disconnect()
      }
      return { idle: p95(idle), dragged: p95(dragged) }
    }, STEPS)
    report(
      `Browser: the time line of a change dragged by one, 95 of 100 of ${STEPS}`,
      ms(frames.dragged),
      `a frame of the page left alone ${ms(frames.idle)}`,
      { 'within one frame more': frames.dragged < frames.idle + FRAME_MS },
    )
  })
}
