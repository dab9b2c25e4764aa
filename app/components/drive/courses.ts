/** The courses that ship with Udrix: invented, none was ever driven. */
import hill from '~/drives/hill.csv?raw'
import overtaking from '~/drives/overtaking.csv?raw'
import town from '~/drives/town.csv?raw'

export const COURSES = [
  { id: 'town', title: 'Through town', csv: town },
  { id: 'overtaking', title: 'Country road, overtaking', csv: overtaking },
  { id: 'hill', title: 'Up a hill and down', csv: hill },
] as const
