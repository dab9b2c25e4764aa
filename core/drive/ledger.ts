/** The changes of a drive as they are written down: when, how long, and what heat they cost. */
import type { Tally } from './dynamics.ts'
import type { DrivenPosition } from './powertrain.ts'
import type { DrivenChange } from './result.ts'

/** A change that goes on. */
interface Running {
  readonly from: number
  readonly to: number
  readonly startS: number
  readonly wasReady: boolean | null
  readonly betweenJ: number
  readonly clutchBeforeJ: number
  gapS: number
  waitedS: number
}

const total = (each: readonly number[]): number => each.reduce((sum, one) => sum + one, 0)

export class Ledger {
  running: Running | null = null
  readonly done: DrivenChange[] = []
  /** What has been told of rings and dogs by the changes that are done. */
  private told = { ringJ: 0, knockJ: 0 }
  private readonly positions: readonly DrivenPosition[]
  private readonly tally: Tally

  constructor(positions: readonly DrivenPosition[], tally: Tally) {
    this.positions = positions
    this.tally = tally
  }

  begin(change: Pick<Running, 'from' | 'to' | 'startS' | 'wasReady' | 'betweenJ'>): void {
    const clutchBeforeJ = total(this.tally.clutchJ)
    this.running = { ...change, clutchBeforeJ, gapS: 0, waitedS: 0 }
  }

  /** Counts the time in which nothing leads, and in which something is waited for. */
  tick(
    tickS: number,
    { isLed, isWaiting }: { readonly isLed: boolean; readonly isWaiting: boolean },
  ): void {
    if (!this.running) return
    if (!isLed) this.running.gapS += tickS
    if (isWaiting) this.running.waitedS += tickS
  }

  finish(timeS: number): void {
    const { running, tally } = this
    if (!running) return
    const { clutchBeforeJ, from, to, ...rest } = running
    this.done.push({
      from: this.positions[from]?.position.label ?? '',
      to: this.positions[to]?.position.label ?? '',
      startS: rest.startS,
      endS: timeS,
      gapS: rest.gapS,
      waitedS: rest.waitedS,
      wasReady: rest.wasReady,
      clutchJ: total(tally.clutchJ) - clutchBeforeJ,
      ringJ: tally.ringJ - this.told.ringJ,
      betweenJ: rest.betweenJ,
      knockJ: tally.knockJ - this.told.knockJ,
    })
    this.told = { ringJ: tally.ringJ, knockJ: tally.knockJ }
    this.running = null
  }
}
