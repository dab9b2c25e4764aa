/**
 * `npm run -s trace -- FILE [--position LABEL]`: prints the analysis of a box file as
 * JSON, with exact fractions as text. A faulty file gives its issues and exit code 1.
 */
import fs from 'node:fs'
import { parseArgs } from 'node:util'

import { analyseBox, checkBox, formatFraction, toNumber } from 'core'
import type { Analysis, BodyMotion, PathEnd } from 'core'

import { parseBoxFile } from '../app/files/boxFile.ts'
import { issueWords } from '../app/words/issues.ts'

const USAGE = 'Usage: npm run -s trace -- FILE [--position LABEL]'

function motionJson(motion: BodyMotion) {
  return motion.kind === 'turns' ? formatFraction(motion.speed) : motion.kind
}

function endJson({ body, gear, speed, torque, power }: PathEnd) {
  return {
    body,
    ...(gear && { gear: gear.id }),
    speed: formatFraction(speed),
    torque: formatFraction(torque),
    power: formatFraction(power),
  }
}

function analysisJson(analysis: Analysis) {
  const common = {
    engaged: analysis.engaged.map(({ coupler, place }) => ({
      coupler: coupler.id,
      position: place.id,
      travel: place.travel,
    })),
    speeds: Object.fromEntries(
      [...analysis.motions].map(([body, motion]) => [body, motionJson(motion)]),
    ),
  }
  switch (analysis.state) {
    case 'drive':
      return {
        state: analysis.state,
        ratio: formatFraction(analysis.ratio),
        ratioDecimal: toNumber(analysis.ratio),
        inverse: formatFraction(analysis.ratio.inverse()),
        product:
          analysis.factors?.map(({ pair, ratio }) =>
            pair
              ? `${pair.driven.toothCount ?? ''}/${pair.driving.toothCount ?? ''}`
              : formatFraction(ratio),
          ) ?? null,
        path: analysis.path.map(({ law, from, to }) => ({
          link: law.source,
          kind: law.kind,
          from: from.map(endJson),
          to: to.map(endJson),
        })),
        ...common,
      }
    case 'uncounted':
      return { state: analysis.state, uncounted: analysis.gears.map(({ id }) => id), ...common }
    default:
      return { state: analysis.state, ...common }
  }
}

function print(value: unknown): void {
  console.log(JSON.stringify(value, null, 2))
}

function fail(issues: readonly { readonly path: unknown; readonly message: string }[]): void {
  print({ issues })
  process.exitCode = 1
}

function main(): void {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { position: { type: 'string' } },
  })
  const [file] = positionals
  if (file === undefined || positionals.length > 1) {
    fail([{ path: [], message: USAGE }])
    return
  }
  let text: string
  try {
    text = fs.readFileSync(file, 'utf8')
  } catch {
    fail([{ path: [], message: `There is no file ${file} that can be read.` }])
    return
  }
  const parsed = parseBoxFile(text)
  if (!parsed.ok) {
    fail(parsed.issues)
    return
  }
  const { draft } = parsed
  const checked = checkBox(draft)
  if (!checked.ok) {
    fail(checked.issues.map((issue) => ({ ...issue, message: issueWords(draft, issue) })))
    return
  }
  const wanted = values.position
  const positions = analyseBox(checked.box).filter(
    ({ position }) => wanted === undefined || position.label === wanted,
  )
  if (positions.length === 0) {
    const labels = draft.positions.map(({ label }) => label).join(', ')
    const message =
      labels === ''
        ? 'The box lists no positions.'
        : `There is no position ${wanted ?? ''}; there are ${labels}.`
    fail([{ path: ['positions'], message }])
    return
  }
  print({
    name: draft.name,
    positions: positions.map(({ position, analysis }) => ({
      label: position.label,
      ...analysisJson(analysis),
    })),
    warnings: checked.warnings.map((issue) => ({ ...issue, message: issueWords(draft, issue) })),
  })
}

main()
