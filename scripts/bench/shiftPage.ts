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

/** How long frames are followed. */
const PLAYED_MS = 4_000

/** What is played of a box, and the button that does it. */
const PLAYED = [
  ['all gears of a five-speed', '/shift', 'All gears'],
  ['a ring on its way in', '/shift/engage', 'Play'],
] as const

/** Linkage and ring as they are played, beside frames of the same page left alone. */
export async function benchPlayed(base: string, boxPath: string): Promise<void> {
  for (const [what, path, button] of PLAYED)
    await withPage(async (page) => {
      await settle(page, base)
      await openPage(page, `${base}${boxPath}${path}`)
      const play = page.getByRole('button', { name: button, exact: true })
      await play.waitFor()
      const framesP95 = (): Promise<number> =>
        page.evaluate(
          (lastsMs) =>
            new Promise<number>((resolve) => {
              const frames: number[] = []
              const start = performance.now()
              let before = start
              requestAnimationFrame(function next(now) {
                frames.push(now - before)
                before = now
                if (now - start < lastsMs) requestAnimationFrame(next)
                else
                  resolve(
                    frames.slice(2).sort((one, other) => one - other)[
                      Math.floor((frames.length - 2) * 0.95)
                    ] ?? NaN,
                  )
              })
            }),
          PLAYED_MS,
        )
      const bareMs = await framesP95()
      await play.click()
      const playedMs = await framesP95()
      report(
        `Browser: ${what} played, 95 of 100 frames`,
        ms(playedMs),
        `the same page left alone ${ms(bareMs)}`,
        { 'at most 1.2 times bare frames': playedMs <= 1.2 * bareMs },
      )
    })
}
