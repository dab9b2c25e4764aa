import { createCookie } from 'react-router'
import { z } from 'zod'

import { MEASURES, READING_UNITS } from 'core'

import { parseJson } from '../files/text.ts'
import { LENGTH_UNITS, ROAD_SPEED_UNITS, TORQUE_UNITS } from '../words/format.ts'
import type { Settings } from '../settings.ts'
import { DEFAULT_SETTINGS, THEMES, areInitials } from '../settings.ts'
import { END_NAMES, VOCABULARIES } from '../words/vocabulary.ts'
import { readForm } from './requests.ts'

const YEAR_S = 365 * 24 * 60 * 60

const cookie = createCookie('udrix-settings', {
  path: '/',
  sameSite: 'lax',
  httpOnly: true,
  maxAge: YEAR_S,
})

/** As a form sends it, or as the cookie has it. */
const readingUnits = z.preprocess(
  (content) => {
    if (typeof content !== 'string') return content
    const json = parseJson(content)
    return json.ok ? json.content : undefined
  },
  z.partialRecord(z.enum(MEASURES), z.enum(READING_UNITS)),
)

const settingsSchema = z.object({
  theme: z.enum(THEMES).catch(DEFAULT_SETTINGS.theme),
  torqueUnit: z.enum(TORQUE_UNITS).catch(DEFAULT_SETTINGS.torqueUnit),
  lengthUnit: z.enum(LENGTH_UNITS).catch(DEFAULT_SETTINGS.lengthUnit),
  roadSpeedUnit: z.enum(ROAD_SPEED_UNITS).catch(DEFAULT_SETTINGS.roadSpeedUnit),
  ends: z.enum(END_NAMES).catch(DEFAULT_SETTINGS.ends),
  vocabulary: z.enum(VOCABULARIES).catch(DEFAULT_SETTINGS.vocabulary),
  readingUnits: readingUnits.catch(DEFAULT_SETTINGS.readingUnits),
  initials: z.string().refine(areInitials).catch(DEFAULT_SETTINGS.initials),
  isTourOffered: z.union([z.boolean(), z.stringbool()]).catch(DEFAULT_SETTINGS.isTourOffered),
})

/** The person's settings; whatever the cookie lacks or garbles is the default. */
export async function readSettings(request: Request): Promise<Settings> {
  const content: unknown = await cookie.parse(request.headers.get('Cookie'))
  const parsed = settingsSchema.safeParse(content)
  return parsed.success ? parsed.data : DEFAULT_SETTINGS
}

/** The settings with the form's changes, as a header that keeps them. */
export async function changeSettings(request: Request): Promise<string> {
  return settingsHeader(request, Object.fromEntries(await readForm(request)))
}

/** The settings with these changes, as a header that keeps them. */
export async function settingsHeader(
  request: Request,
  changes: Readonly<Record<string, unknown>>,
): Promise<string> {
  const before = await readSettings(request)
  return cookie.serialize(settingsSchema.parse({ ...before, ...changes }))
}
