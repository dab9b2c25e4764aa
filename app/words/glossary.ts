/** What the words of the trade mean, for who meets one for the first time. Common practice. */
import type { Vocabulary } from './vocabulary.ts'
import { inWords } from './vocabulary.ts'

interface Entry {
  /** As it stands in sentences, in the plain vocabulary; the first one is its heading. */
  readonly forms: readonly [string, ...string[]]
  readonly meaning: string
}

/** In the order in which they build on one another. */
const ENTRIES = {
  ratio: {
    forms: ['ratio'],
    meaning:
      'Turns of the input for one turn of the output. 3\u00a0:\u00a01 is a reduction: the output turns slower, with more torque. Below 1 it is an overdrive.',
  },
  'input-shaft': {
    forms: ['input shaft'],
    meaning: 'The shaft through which the power comes in, behind the clutch.',
  },
  countershaft: {
    forms: ['countershaft'],
    meaning:
      'The shaft beside the main one. The input drives it all the time, and its gears drive those on the main shaft.',
  },
  'main-shaft': {
    forms: ['main shaft'],
    meaning:
      'The shaft through which the power leaves. Its gears turn freely on it until one of them is locked to it.',
  },
  'head-gear': {
    forms: ['head gear'],
    meaning:
      'The pair from the input shaft to the countershaft, always in mesh. All positions but direct go through it, so it is counted first.',
  },
  integral: {
    forms: ['integral', 'cut in one with the shaft'],
    meaning:
      'Cut in one piece with its shaft. It does not come off, and where it is worn the shaft goes with it.',
  },
  free: {
    forms: ['free gear', 'free'],
    meaning:
      'A gear that runs on its shaft, on a bush or on needles, and drives nothing until it is locked to it.',
  },
  idler: {
    forms: ['idler'],
    meaning:
      'A gear between two others. It turns the sense of rotation round and leaves the ratio as it is; reverse is made with one.',
  },
  hub: {
    forms: ['hub'],
    meaning: 'Sits on the splines of its shaft and turns with it. What slides, slides on the hub.',
  },
  sleeve: {
    forms: ['sleeve'],
    meaning:
      'Slides along the hub, moved by its fork, and reaches over the dog teeth of the gear beside it: now gear and shaft turn as one.',
  },
  'dog-teeth': {
    forms: ['dog teeth', 'dog ring', 'dogs'],
    meaning:
      'Teeth that lock two parts by reaching into each other. They carry the torque once they are in, and crunch where the speeds differ.',
  },
  'blocker-ring': {
    forms: ['blocker ring', 'ring gap'],
    meaning:
      'A ring with a cone inside. Pressed on the cone of the gear it drags both to one speed, and its teeth hold the sleeve back until they are. The gap between ring and gear tells how much of it is left.',
  },
  synchronizer: {
    forms: ['synchronizer'],
    meaning: 'Hub, sleeve, rings and what keeps them in place: all that makes a change quiet.',
  },
  planetary: {
    forms: ['planetary set'],
    meaning:
      'A sun inside, a ring outside and planets between them on a carrier. Hold one of the three, drive another, and the third turns at a ratio of its own.',
  },
  range: {
    forms: ['range section', 'range coupler'],
    meaning:
      'A second, small box behind the main one. It gives every position of that one twice, low and high.',
  },
  splitter: {
    forms: ['splitter'],
    meaning: 'Two pairs at the input to choose from: it splits the step between two positions.',
  },
  clutch: {
    forms: ['clutch'],
    meaning:
      'Two faces pressed together by a spring or by oil. It carries by friction, so it can close while the speeds still differ.',
  },
  overrun: {
    forms: ['overrun', 'the wheels drive'],
    meaning:
      'The foot is off the pedal and the wheels drive the engine. The teeth carry on their other flanks, thrust turns round, and a worn dog can jump out.',
  },
  interlock: {
    forms: ['interlock'],
    meaning:
      'Balls or a pin between the rods that let only one of them leave the middle, so that no two positions are in at once.',
  },
  backlash: {
    forms: ['backlash'],
    meaning: 'How far a gear can be turned while its mate stands still.',
  },
  'end-play': {
    forms: ['end play'],
    meaning: 'How far a shaft or gear can be pushed to and fro. Shims set it.',
  },
  'run-out': {
    forms: ['run-out'],
    meaning: 'How far a shaft that is turned between points swings out of true.',
  },
} as const satisfies Readonly<Record<string, Entry>>

export type TermId = keyof typeof ENTRIES

export const TERM_IDS = Object.keys(ENTRIES) as readonly TermId[]

export interface TermWords {
  readonly id: TermId
  readonly title: string
  readonly meaning: string
}

/** A term and what it means, in the words that the person has chosen. */
export function termWords(words: Vocabulary, id: TermId): TermWords {
  const { forms, meaning } = ENTRIES[id]
  return { id, title: inWords(words, forms[0]), meaning: inWords(words, meaning) }
}

/** A piece of a text: a term that is explained, or what stands between them. */
export interface TextPart {
  readonly text: string
  readonly term: TermId | null
}

/**
 * Texts in pieces, so that each of `terms` can be explained where it stands for the first time
 * in them, whole words only. The texts are in the chosen words.
 */
export function termsIn(
  words: Vocabulary,
  texts: readonly string[],
  terms: readonly TermId[] = TERM_IDS,
): readonly (readonly TextPart[])[] {
  const idOf = new Map<string, TermId>()
  for (const id of terms)
    for (const form of ENTRIES[id].forms) idOf.set(inWords(words, form).toLowerCase(), id)
  // Longer ones first: "dog ring" is not a ring.
  const forms = [...idOf.keys()].sort((one, other) => other.length - one.length)
  const anyOfThem = new RegExp(`\\b(${forms.join('|')})(?:s?)\\b`, 'gi')
  const seen = new Set<TermId>()
  return texts.map((text) => {
    const parts: TextPart[] = []
    let done = 0
    for (const found of text.matchAll(anyOfThem)) {
      const id = idOf.get((found[1] ?? '').toLowerCase())
      if (id === undefined || seen.has(id)) continue
      seen.add(id)
      if (found.index > done) parts.push({ text: text.slice(done, found.index), term: null })
      parts.push({ text: found[0], term: id })
      done = found.index + found[0].length
    }
    if (done < text.length) parts.push({ text: text.slice(done), term: null })
    return parts
  })
}
