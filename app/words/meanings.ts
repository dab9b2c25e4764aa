/** What the words of the trade mean, for who meets one for the first time. Common practice. */
import type { TermId } from './glossary.ts'
import type { Vocabulary } from './vocabulary.ts'
import { inWords } from './vocabulary.ts'

const MEANINGS: Readonly<Record<TermId, string>> = {
  ratio:
    'Turns of the input for one turn of the output. 3\u00a0:\u00a01 is a reduction: the output turns slower, with more torque. Below 1 it is an overdrive.',
  'input-shaft': 'The shaft through which the power comes in, behind the clutch.',
  countershaft:
    'The shaft beside the main one. The input drives it all the time, and its gears drive those on the main shaft.',
  'main-shaft':
    'The shaft through which the power leaves. Its gears turn freely on it until one of them is locked to it.',
  'head-gear':
    'The pair from the input shaft to the countershaft, always in mesh. All positions but direct go through it, so it is counted first.',
  integral:
    'Cut in one piece with its shaft. It does not come off, and where it is worn the shaft goes with it.',
  free: 'A gear that runs on its shaft, on a bush or on needles, and drives nothing until it is locked to it.',
  idler:
    'A gear between two others. It turns the sense of rotation round and leaves the ratio as it is; reverse is made with one.',
  hub: 'Sits on the splines of its shaft and turns with it. What slides, slides on the hub.',
  sleeve:
    'Slides along the hub, moved by its fork, and reaches over the dog teeth of the gear beside it: now gear and shaft turn as one.',
  'dog-teeth':
    'Teeth that lock two parts by reaching into each other. They carry the torque once they are in, and crunch where the speeds differ.',
  'blocker-ring':
    'A ring with a cone inside. Pressed on the cone of the gear it drags both to one speed, and its teeth hold the sleeve back until they are. The gap between ring and gear tells how much of it is left.',
  synchronizer: 'Hub, sleeve, rings and what keeps them in place: all that makes a change quiet.',
  planetary:
    'A sun inside, a ring outside and planets between them on a carrier. Hold one of the three, drive another, and the third turns at a ratio of its own.',
  range:
    'A second, small box behind the main one. It gives every position of that one twice, low and high.',
  splitter: 'Two pairs at the input to choose from: it splits the step between two positions.',
  clutch:
    'Two faces pressed together by a spring or by oil. It carries by friction, so it can close while the speeds still differ.',
  overrun:
    'The foot is off the pedal and the wheels drive the engine. The teeth carry on their other flanks, thrust turns round, and a worn dog can jump out.',
  interlock:
    'Balls or a pin between the rods that let only one of them leave the middle, so that no two positions are in at once.',
  gate: 'The slots that the lever moves in: rows side by side, each with an end forward and an end back. A collar, a spring or a catch guards reverse.',
  drum: 'A cylinder with a groove for each fork. As it turns, step by step, the grooves push the forks to and fro; a motorcycle and many racing boxes change by one.',
  'star-wheel':
    'A wheel with notches on the end of the drum. A roller on a spring falls into them and makes each position certain.',
  'false-neutral':
    'A place between two positions of a drum where nothing is in. The points of the star push the drum out of it; a worn one lets it rest there.',
  'back-taper':
    'Dogs a little narrower at their root than at their tip, so that load draws them in. Worn round, the same load pushes them out.',
  backlash: 'How far a gear can be turned while its mate stands still.',
  'end-play': 'How far a shaft or gear can be pushed to and fro. Shims set it.',
  'run-out': 'How far a shaft that is turned between points swings out of true.',
}

/** What a term means, in the words that the person has chosen. */
export function termMeaning(words: Vocabulary, id: TermId): string {
  return inWords(words, MEANINGS[id])
}
