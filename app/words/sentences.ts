/** The way of the power in sentences, one a step. */
import type {
  Analysis,
  Circulation,
  CouplerPosition,
  Drive,
  EngagedCoupler,
  Engagement,
  Gear,
  NoDrive,
  PathEnd,
  PathStep,
  Rational,
  Undetermined,
} from 'core'
import { isClutch, ONE, pairsOf, rational, toNumber } from 'core'

import type { TorqueUnit } from './format.ts'
import { formatNumber, formatShare, formatSpeed, formatTeeth, formatTorque } from './format.ts'
import type { Naming } from './names.ts'
import { bodyName, capitalize, couplerName, lawName, linkName, shortBodyName } from './names.ts'
import type { Vocabulary } from './vocabulary.ts'
import { travelWords, viewpoint } from './vocabulary.ts'

/** What the person put in; everything in a box is proportional to it. */
export interface Input {
  readonly torqueNm: number
  readonly speedRpm: number
  readonly torqueUnit: TorqueUnit
}

/** "with the input" or "against the input". */
export function senseWords(speed: Rational): string {
  return speed.sign() < 0 ? 'against the input' : 'with the input'
}

function load(input: Input, speed: Rational, torque: Rational): string {
  const rpm = formatSpeed(Math.abs(toNumber(speed)) * input.speedRpm)
  const nm = formatTorque(Math.abs(toNumber(torque)) * input.torqueNm, input.torqueUnit)
  return `${rpm}, ${nm}`
}

/** "a, b and c". */
export function listed(names: readonly string[]): string {
  return names.length < 2
    ? (names[0] ?? '')
    : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1] ?? ''}`
}

/** "the 3rd gear on the main shaft". */
function gearWords(naming: Naming, gear: Gear): string {
  const isIdler = naming.box.members.get(gear.member)?.kind === 'idler'
  return `the ${gear.label}${isIdler ? '' : ` on the ${bodyName(naming, gear.member)}`}`
}

function endWords(naming: Naming, { body, gear }: PathEnd): string {
  if (!gear) return `the ${bodyName(naming, body)}`
  const teeth = gear.toothCount === null ? '' : ` (${formatTeeth(gear.toothCount)})`
  return `${gearWords(naming, gear)}${teeth}`
}

function stepSentence(naming: Naming, input: Input, step: PathStep): string {
  const [driving] = step.from
  const [driven] = step.to
  if (!driving || !driven) return ''
  if (step.law.kind === 'lock' || step.law.kind === 'joined') {
    const coupler = naming.box.couplers.get(step.law.source)
    const bodies = `the ${shortBodyName(naming, driving.body)} to the ${shortBodyName(naming, driven.body)}`
    return coupler
      ? `The ${couplerName(naming, coupler)} locks ${bodies}.`
      : `${capitalize(bodies)} is joined for good.`
  }
  const from = listed(step.from.map((end) => endWords(naming, end)))
  const to = step.to
    .map(
      (end) =>
        `${endWords(naming, end)}, which turns ${senseWords(end.speed)}: ${load(input, end.speed, end.torque)}`,
    )
    .join('; ')
  return `${capitalize(from)} ${step.from.length > 1 ? 'drive' : 'drives'} ${to}.`
}

/** Where the power enters, every step, and where it leaves, in the order of the power. */
export function pathSentences(naming: Naming, drive: Drive, input: Input): readonly string[] {
  const { draft } = naming.box
  const steps = drive.path.map((step) => stepSentence(naming, input, step))
  const inputName = bodyName(naming, draft.input)
  const atInput = `${formatSpeed(input.speedRpm)}, ${formatTorque(input.torqueNm, input.torqueUnit)}`
  const outputs = drive.outputs.map(({ body, speed, torque }) => ({
    name: bodyName(naming, body),
    sense: `${senseWords(speed)} (${viewpoint(naming.words)})`,
    load: load(input, speed, torque),
  }))
  return drive.isOverrun
    ? [
        ...outputs.map(
          ({ name, sense, load: at }) =>
            `The wheels drive the ${name}, which turns ${sense}: ${at}.`,
        ),
        ...steps,
        `Power reaches the engine at the ${inputName}: ${atInput}.`,
      ]
    : [
        `Power enters at the ${inputName}: ${atInput}.`,
        ...steps,
        ...outputs.map(
          ({ name, sense, load: at }) => `It leaves at the ${name}, turning ${sense}: ${at}.`,
        ),
      ]
}

/** Power that goes round within the box: through what, and how much. */
export function circulationSentence(naming: Naming, { steps, power }: Circulation): string {
  const links = steps.map(({ law }) => lawName(naming, law))
  return `Power goes round in a loop and does not leave it, ${formatShare(toNumber(power))} of what enters: ${links.join('; then ')}.`
}

/** What was taken for granted so that one ratio follows; nothing where nothing was. */
export function balanceSentence(naming: Naming, { balanced, outputs }: Drive): string | null {
  if (balanced.length === 0) return null
  const speedOf = (body: string): Rational | undefined =>
    outputs.find((output) => output.body === body)?.speed
  const sentences = balanced.map(({ sides: [left, right] }) => {
    const names = `the ${bodyName(naming, left)} and the ${bodyName(naming, right)}`
    const [one, other] = [speedOf(left), speedOf(right)]
    if (!one || !other || one.equals(other)) return { isBent: false, text: names }
    const mean = one.add(other).div(rational(2))
    const parts = [one, other].map((speed) => formatNumber(toNumber(speed.div(mean)), 3))
    return {
      isBent: true,
      text: `In a bend: ${names} turn ${parts.join(' and ')} times as fast as their mean, which is the case; the torque of both is the same, and the ratio is that of the mean.`,
    }
  })
  const straight = sentences.filter(({ isBent }) => !isBent).map(({ text }) => text)
  return [
    ...(straight.length > 0
      ? [`An open differential: figures are for ${listed(straight)} turning alike.`]
      : []),
    ...sentences.filter(({ isBent }) => isBent).map(({ text }) => text),
  ].join(' ')
}

/** What the pedal down does: no torque comes in, and the input follows the wheels or nothing. */
export function pedalSentence({ state }: Analysis, { speedRpm }: Pick<Input, 'speedRpm'>): string {
  switch (state) {
    case 'drive':
      return `Pedal down: no torque comes in. Wheels that roll turn the input, here at ${formatSpeed(speedRpm)}; at a stand it stands.`
    case 'neutral':
      return 'Pedal down: nothing drives the input. It runs on by itself, slower and slower, and the wheels do not feel it.'
    default:
      return 'Pedal down: no torque comes in.'
  }
}

/** The same of several positions that stand side by side, each thing once. */
export function balanceSentences(naming: Naming, analyses: readonly Analysis[]): string {
  const sentences = analyses.flatMap((analysis) =>
    analysis.state === 'drive' ? (balanceSentence(naming, analysis) ?? []) : [],
  )
  return [...new Set(sentences)].join(' ')
}

/** A set that neither reduces nor turns round; nothing where there is none. */
export function blockSentence(naming: Naming, { blocks }: Drive): string | null {
  if (blocks.length === 0) return null
  const sets = listed(blocks.map((law) => `the planetary set of ${lawName(naming, law)}`))
  return `${capitalize(sets)} ${blocks.length > 1 ? 'turn each' : 'turns'} as one block.`
}

/** What an open differential leaves where outputs only turn against each other; nothing elsewhere. */
export function opposedSentence(naming: Naming, { opposed, state }: NoDrive): string | null {
  if (opposed.length === 0) return null
  const sides = opposed.map(
    ({ sides: [left, right] }) =>
      `the ${bodyName(naming, left)} and the ${bodyName(naming, right)}`,
  )
  const input = state === 'input-locked' ? 'cannot turn' : 'turns free of them'
  return `${capitalize(listed(sides))} can only turn against each other; together, as on the road, they are locked. The input ${input}. Do not force it.`
}

/** Which freedom is left where the input does not settle the output, and by what. */
export function openSentence(naming: Naming, { open, through }: Undetermined): string {
  const outputs = listed(open.map((body) => `the ${bodyName(naming, body)}`))
  const links = through.map((link) => `the ${linkName(naming, link)}`)
  return links.length > 0
    ? `The input moves the output, but ${outputs} can turn besides, through ${listed(links)}. Hold or engage one part of it, and one ratio follows.`
    : `The input moves the output, but ${outputs} can turn besides, so no one ratio follows.`
}

/** "The 1–2 sleeve, moved towards the output end, locks the 1st gear to the main shaft." */
export function engagementSentence(naming: Naming, { coupler, place }: EngagedCoupler): string {
  const hub = shortBodyName(naming, coupler.hub)
  const locked = place.engages.filter(({ kind }) => kind === 'lock')
  const held = place.engages.filter(({ kind }) => kind === 'hold')
  const bodies = (engagements: readonly Engagement[]): string =>
    listed(
      engagements.map((engagement) =>
        'body' in engagement ? `the ${shortBodyName(naming, engagement.body)}` : '',
      ),
    )
  const does = [
    ...(locked.length > 0 ? [`locks ${bodies(locked)} to the ${hub}`] : []),
    ...(held.length > 0 ? [`holds ${bodies(held)} to the case`] : []),
    ...meshWords(naming, place),
  ]
  // A clutch closes, whichever way its plate is pushed.
  const moved = isClutch(coupler) ? 'closed' : `moved ${travelWords(naming.words, place.travel)}`
  return `The ${couplerName(naming, coupler)}, ${moved}, ${listed(does)}.`
}

/** What a sliding gear is brought into mesh with, once for each sliding gear. */
function meshWords(naming: Naming, place: CouplerPosition): readonly string[] {
  const mates = new Map<Gear, Gear[]>()
  for (const engagement of place.engages) {
    const link = engagement.kind === 'mesh' ? naming.box.links.get(engagement.link) : undefined
    for (const pair of link ? pairsOf(link) : []) {
      const [a, b] = [naming.box.gears.get(pair.a), naming.box.gears.get(pair.b)]
      if (!a || !b) continue
      const [slid, mate] = b.mount === 'sliding' ? [b, a] : [a, b]
      mates.set(slid, [...(mates.get(slid) ?? []), mate])
    }
  }
  return [...mates].map(
    ([slid, others]) =>
      `brings the ${slid.label} into mesh with ${listed(others.map((mate) => gearWords(naming, mate)))}`,
  )
}

/** Reduction, direct or overdrive, and the sense of the output, named where it is not the usual one. */
export function ratioSentence(words: Vocabulary, ratio: Rational, output = 'output'): string {
  const size = ratio.abs()
  const against = ratio.sign() < 0
  const kind = size.isOne()
    ? against
      ? 'Equal speed'
      : 'Direct'
    : size.isGreaterThan(ONE)
      ? 'Reduction'
      : 'Overdrive'
  return `${kind}: the ${output} turns ${against ? 'against' : 'with'} the input, ${viewpoint(words)}.`
}
