/** What the bench shows of a box, worked out where the box is: it goes out in the box's place. */
import type { BoxDraft, CountingProgress } from 'core'
import { checkBox, countingProgress, indexBox, surveyBox } from 'core'

import type { JobSummary } from '~/views/job/summary.ts'
import type { Thumb } from '~/views/section/thumb.ts'
import { thumbOf } from '~/views/section/thumb.ts'
import { formatRatioFigure } from '~/words/format.ts'
import { gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

export interface BoxGlance {
  readonly name: string
  /** How far the counting is, and what comes next. */
  readonly counting: string
  /** A gear whose two counts disagree, by its name in the shop's words. */
  readonly disputed: string | null
  /** Of the positions that are not hidden and have one, in their order. */
  readonly ratios: readonly { readonly label: string; readonly ratio: string }[]
  readonly thumb: Thumb
}

function countingWords({ counted, confirmed, total }: CountingProgress): string {
  if (counted === 0) return `Nothing counted yet: ${total} gears to count`
  if (counted < total) return `${counted} of ${total} gears counted, ${total - counted} to go`
  if (confirmed < total)
    return confirmed === 0
      ? `All ${total} gears counted once. Count again to confirm`
      : `All ${total} gears counted, ${confirmed} confirmed by a second count`
  return `All ${total} gears counted twice and confirmed`
}

function ratiosOf(draft: BoxDraft): BoxGlance['ratios'] {
  const checked = checkBox(draft)
  if (!checked.ok) return []
  return surveyBox(checked.box).flatMap(({ position: { label, isHidden }, ratio }) =>
    ratio && !isHidden ? [{ label, ratio: formatRatioFigure(ratio) }] : [],
  )
}

/** When a unit was touched last, by whom where that was said. */
export interface Touched {
  /** As an ISO time. */
  readonly at: string
  readonly by: string
}

/** The last change of the box, or the last entry in its job, whichever came later. */
export function touchedBy(
  updatedAt: Date,
  job: Pick<JobSummary, 'last'> | null,
  edit: { readonly at: Date; readonly by: string } | undefined,
): Touched {
  const entry = job?.last
  const isByEntry = entry && (!edit || new Date(entry.at) >= edit.at)
  return { at: updatedAt.toISOString(), by: (isByEntry ? entry.by : edit?.by) ?? '' }
}

/** A box that does not hang together has no ratios; all else is shown of any. */
export function glanceAt(draft: BoxDraft, words: Vocabulary): BoxGlance {
  const progress = countingProgress(draft)
  const [disputed] = progress.disputed
  return {
    name: draft.name,
    counting: countingWords(progress),
    disputed: disputed ? gearName({ box: indexBox(draft), words }, disputed) : null,
    ratios: ratiosOf(draft),
    thumb: thumbOf(draft),
  }
}
