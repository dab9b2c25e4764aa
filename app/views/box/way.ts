/** The way through a box: its pages in the order of the work, and what is useful next. */
import type { BoxDraft, Stage } from 'core'
import { countedGears, countingProgress, indexBox, isDisputed } from 'core'

import { stageName } from '~/words/measures.ts'
import { countedName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { JobSummary } from '../job/summary.ts'

import type { Page, StepTitle } from './pages.ts'
import { PAGES } from './pages.ts'

/** How a box stands. */
export interface Standing {
  readonly draft: BoxDraft
  /** Whether its parts hang together. */
  readonly isSound: boolean
  /** The latest job of the unit. */
  readonly job: Pick<JobSummary, 'number' | 'isClosed' | 'stage' | 'waiting'> | null
}

export interface Step {
  readonly title: string
  /** How far it is, in two words or three; empty where there is nothing to say. */
  readonly progress: (standing: Standing) => string
  /** The first one is where the step opens. */
  readonly pages: readonly [Page, ...Page[]]
}

function countProgress({ draft }: Standing): string {
  const { counted, total, disputed } = countingProgress(draft)
  if (disputed.length > 0) return `${disputed.length} in dispute`
  return counted < total ? `${counted} of ${total}` : 'all counted'
}

function traceProgress({ draft }: Standing): string {
  const { counted, total } = countingProgress(draft)
  return counted < total ? 'counts missing' : `${draft.positions.length} positions`
}

function measureProgress({ job }: Standing): string {
  const replaced = job?.waiting.find(({ code }) => code === 'to-replace')
  if (replaced && 'count' in replaced) return `${replaced.count} to replace`
  return job?.waiting.some(({ code }) => code === 'nothing-measured') ? 'nothing yet' : ''
}

const PROGRESS: Readonly<Record<StepTitle, Step['progress']>> = {
  Job: ({ job }) => (job ? `${job.number}, ${job.isClosed ? 'closed' : 'open'}` : 'none yet'),
  'Lay out': ({ draft, isSound }) =>
    isSound ? `${countingProgress(draft).total} gears` : 'to mend',
  Count: countProgress,
  Trace: traceProgress,
  Shift: ({ draft }) =>
    (draft.drums ?? []).length > 0
      ? 'by a drum'
      : (draft.selectors ?? []).length > 0
        ? 'by rods'
        : 'not said yet',
  Measure: measureProgress,
  Build: () => '',
}

const step = (title: StepTitle): Step => ({
  title,
  progress: PROGRESS[title],
  pages: PAGES[title],
})

/** Every page of a box, step by step. */
export const WAY: readonly Step[] = (Object.keys(PAGES) as StepTitle[]).map(step)

export interface Here {
  readonly step: Step
  readonly page: Page
}

/** Which page an address is of: its path below the box's, and its view. */
export function findHere(pathBelow: string, view: string | null): Here {
  const wanted = [`${pathBelow}?view=${view ?? ''}`, pathBelow]
  for (const path of wanted)
    for (const each of WAY) {
      const found = each.pages.find((page) => page.path === path)
      if (found) return { step: each, page: found }
    }
  return { step: step('Job'), page: PAGES.Job[0] }
}

/** The page on which the work of a stage is entered. */
export const PAGE_OF_STAGE: Readonly<Record<Stage, string>> = {
  intake: 'job#intake',
  'lay-out': 'layout',
  keyed: 'trace/spin',
  count: 'count',
  'turn-check': 'turns',
  rings: 'measure?kind=ring',
  sleeves: 'measure?kind=sleeve',
  shafts: 'measure?kind=shaft',
  parts: 'order',
  assemble: 'build?view=up',
  'bench-check': 'turns',
  'hand-over': 'hand-over',
}

export interface NextThing {
  /** Below the address of the box. */
  readonly path: string
  readonly words: string
}

/** What is useful next, whatever page the person is on. */
function nextOfAll(
  { draft, isSound, job }: Standing,
  words: Vocabulary,
  here: Here,
): NextThing | null {
  if (!isSound) return { path: 'layout', words: 'mend the drawing' }
  const naming = { box: indexBox(draft), words }
  const gears = countedGears(draft)
  const disputed = gears.find(isDisputed)
  if (disputed)
    return {
      path: `count?gear=${disputed.id}`,
      words: `settle the two counts of ${countedName(naming, disputed)}`,
    }
  const { counted, total } = countingProgress(draft)
  if (counted < total) {
    const left = total - counted
    return { path: 'count', words: `count ${left === 1 ? 'the last gear' : `${left} gears`}` }
  }
  if (here.page.path === 'count') return { path: 'trace', words: 'trace the torque' }
  if (!job) return { path: 'job', words: 'open a job for this unit' }
  if (job.isClosed) return null
  if (job.waiting.some(({ code }) => code === 'turns-disagree'))
    return { path: 'turns', words: 'find the miscount that the turns show' }
  if (job.stage === null) return null
  const path = PAGE_OF_STAGE[job.stage]
  const stage = stageName(words, job.stage)
  return { path, words: stage.charAt(0).toLowerCase() + stage.slice(1) }
}

/** What is useful next, elsewhere than on this page; null where nothing is. */
export function nextThing(standing: Standing, words: Vocabulary, here: Here): NextThing | null {
  const next = nextOfAll(standing, words, here)
  return next === null || next.path.replace(/[?#].*/, '') === here.page.path ? null : next
}
