/** The way through a box: its pages in the order of the work, and what is useful next. */
import type { BoxDraft, Stage } from 'core'
import { countedGears, countingProgress, indexBox, isDisputed } from 'core'

import { stageName } from '~/words/measures.ts'
import { countedName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { JobSummary } from '../job/summary.ts'

export interface Page {
  /** Below the address of the box; with `?view=` where a page has several. */
  readonly path: string
  readonly title: string
}

/** How a box stands. */
export interface Standing {
  readonly draft: BoxDraft
  /** Whether its parts hang together. */
  readonly isSound: boolean
  /** The latest job of the unit. */
  readonly job: JobSummary | null
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

const page = (path: string, title: string): Page => ({ path, title })

/** Every page of a box. Another one is a line here and one in `routes.ts`. */
export const WAY: readonly [Step, ...Step[]] = [
  {
    title: 'Job',
    progress: ({ job }) =>
      job ? `${job.number}, ${job.isClosed ? 'closed' : 'open'}` : 'none yet',
    pages: [
      page('job', 'Stages and log'),
      page('hand-over', 'Record, hand-over'),
      page('life', 'Life of the unit'),
      page('labels', 'Labels'),
      page('history', 'History'),
    ],
  },
  {
    title: 'Lay out',
    progress: ({ draft, isSound }) =>
      isSound ? `${countingProgress(draft).total} gears` : 'to mend',
    pages: [
      page('layout', 'Drawing'),
      page('layout?view=parts', 'Parts'),
      page('layout?view=positions', 'Positions'),
      page('sheet', 'Data sheet'),
    ],
  },
  {
    title: 'Count',
    progress: countProgress,
    pages: [
      page('count', 'Count teeth'),
      page('turns', 'Turns'),
      page('turns/closed', 'Only turns known'),
      page('turns/gear', 'What gear is this'),
      page('count/form', 'Bench form'),
    ],
  },
  {
    title: 'Trace',
    progress: traceProgress,
    pages: [
      page('trace', 'Drawing'),
      page('trace/parts', 'Parts'),
      page('trace/forces', 'Forces and losses'),
      page('trace/spin', 'Spin test'),
      page('trace/towing', 'Towing and oil'),
      page('trace/compare', 'Compare'),
      page('ratios', 'Ratios'),
      page('trace/sheet', 'Sheet'),
    ],
  },
  {
    title: 'Shift',
    progress: ({ draft }) =>
      (draft.drums ?? []).length > 0
        ? 'by a drum'
        : (draft.selectors ?? []).length > 0
          ? 'by rods'
          : 'not said yet',
    pages: [
      page('shift', 'Change of gear'),
      page('shift/engage', 'Half engaged'),
      page('shift/interlock', 'Interlock'),
      page('shift/drum', 'Drum'),
      page('shift/drive', 'Drive'),
      page('shift/complaints', 'Complaints'),
      page('shift/rods', 'Rods and gate'),
    ],
  },
  {
    title: 'Measure',
    progress: measureProgress,
    pages: [page('measure', 'Measure and judge'), page('order', 'Parts to order')],
  },
  {
    title: 'Build',
    progress: () => '',
    pages: [
      page('build', 'Take apart'),
      page('build?view=up', 'Put together'),
      page('build/reach', 'Get at a part'),
      page('build/stack', 'Stack-up, timing'),
      page('build/differs', 'What differs'),
      page('build/sheet', 'Sheet of steps'),
    ],
  },
]

export interface Here {
  readonly step: Step
  readonly page: Page
}

/** Which page an address is of: its path below the box's, and its view. */
export function findHere(pathBelow: string, view: string | null): Here {
  const wanted = [`${pathBelow}?view=${view ?? ''}`, pathBelow]
  for (const path of wanted)
    for (const step of WAY) {
      const found = step.pages.find((each) => each.path === path)
      if (found) return { step, page: found }
    }
  return { step: WAY[0], page: WAY[0].pages[0] }
}

/** The page on which the work of a stage is entered. */
export const PAGE_OF_STAGE: Readonly<Partial<Record<Stage, string>>> = {
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
  const path = PAGE_OF_STAGE[job.stage] ?? 'job'
  const stage = stageName(words, job.stage)
  return { path, words: stage.charAt(0).toLowerCase() + stage.slice(1) }
}

/** What is useful next, elsewhere than on this page; null where nothing is. */
export function nextThing(standing: Standing, words: Vocabulary, here: Here): NextThing | null {
  const next = nextOfAll(standing, words, here)
  return next === null || next.path.replace(/\?.*/, '') === here.page.path ? null : next
}
