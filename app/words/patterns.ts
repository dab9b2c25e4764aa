/** What the starting patterns and their choices are called. */
import type { PatternId } from 'core'

export const PATTERN_WORDS: Readonly<
  Record<PatternId, { readonly title: string; readonly sentence: string }>
> = {
  'three-shaft': {
    title: 'Three shafts, synchronized',
    sentence: 'Input and main shaft on one line, countershaft beside them, every pair in mesh.',
  },
  'countershaft-couplers': {
    title: 'Three shafts, overdrive coupled below',
    sentence: 'The coupler of the overdrive and of reverse sits on the countershaft.',
  },
  'sleeve-teeth-reverse': {
    title: 'Three shafts, reverse on the sleeve',
    sentence: 'An idler slides on to straight teeth on the outside of the 1–2 sleeve.',
  },
  'dog-clutch-three-shaft': {
    title: 'Three shafts, dog clutches',
    sentence: 'Constant mesh without synchronizers; reverse through an idler in mesh.',
  },
  'sliding-gear': {
    title: 'Three shafts, sliding gears',
    sentence: 'Gears slide along the main shaft into mesh; top joins it to the input.',
  },
  'transverse-transaxle': {
    title: 'Transaxle across the car',
    sentence: 'Two shafts, no direct position, final drive and differential in the case.',
  },
  'longitudinal-transaxle': {
    title: 'Transaxle along the car',
    sentence: 'Two shafts; the lower one ends in the final-drive pinion.',
  },
  racing: {
    title: 'Racing, two shafts',
    sentence: 'Dog rings, every pair to be swapped, reverse outside at the end.',
  },
  motorcycle: {
    title: 'Motorcycle',
    sentence: 'Two shafts, sliding gears with dogs moved by a drum, primary drive and chain.',
  },
  heavy: {
    title: 'Heavy, two countershafts',
    sentence: 'A main box multiplied by a range section, and by a splitter with some.',
  },
  'dual-clutch': {
    title: 'Dual clutch',
    sentence: 'Odd and even positions on two input shafts, one inside the other.',
  },
  'transfer-case': {
    title: 'Transfer case',
    sentence: 'Planetary low and a second axle, without its gearbox.',
  },
}

export const CHOICE_WORDS: Readonly<Record<string, string>> = {
  speeds: 'Forward positions',
  overdrives: 'Overdrives above direct',
  reverse: 'Reverse',
  second: 'Second pair',
  couplers: 'Couplers above 1–2',
  integral: 'Cut into the input shaft',
  primary: 'Primary drive',
  range: 'Range section',
  axles: 'Driven axles',
  transfer: 'Second axle',
  behind: 'Transfer case behind it',
}

const OPTION_WORDS: Readonly<Record<string, string>> = {
  'reverse/sliding-idler': 'sliding idler',
  'reverse/sleeve-teeth': 'idler on to sleeve teeth',
  'reverse/constant-mesh': 'idler in mesh, coupler',
  'overdrives/0': 'none',
  'second/constant-mesh': 'in mesh, dogs',
  'second/sliding': 'slides into mesh',
  'couplers/both': 'on the input shaft',
  'couplers/output': 'on the output shaft',
  'integral/first': '1st',
  'integral/first-and-second': '1st and 2nd',
  'range/countershaft': 'two countershafts',
  'transfer/chain': 'by chain',
  'transfer/one': 'none',
  'behind/nothing': 'none',
  'behind/chain': 'with second axle',
  'behind/one': 'one axle',
}

export function optionWords(choice: string, option: string): string {
  return OPTION_WORDS[`${choice}/${option}`] ?? option
}
