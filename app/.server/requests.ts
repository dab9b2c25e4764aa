/** What a request brings, read and made storable; what cannot be read is answered here. */
import { data } from 'react-router'
import type { z } from 'zod'

import { parseJson, storable } from '../files/text.ts'
import type { Refusal } from './answers.ts'
import { refuse } from './answers.ts'

const NOT_A_FORM = 'What was sent is no form. Load the page again and send it from there.'

/**
 * The fields of a form. Answers 415 for another type of content and 400 for a form that
 * is broken off.
 */
export async function readForm(request: Request): Promise<FormData> {
  const type = request.headers.get('Content-Type') ?? ''
  if (!/^(multipart\/form-data|application\/x-www-form-urlencoded)\b/i.test(type))
    throw data(NOT_A_FORM, { status: 415 })
  let form: FormData
  try {
    form = await request.formData()
  } catch {
    throw data(NOT_A_FORM, { status: 400 })
  }
  const clean = new FormData()
  for (const [key, value] of form)
    if (typeof value === 'string') clean.append(storable(key), storable(value))
    else clean.append(storable(key), value)
  return clean
}

/** A field of a form as text; empty where there is none. */
export function textOf(form: FormData, key: string): string {
  const value = form.get(key)
  return typeof value === 'string' ? value : ''
}

/** What a request brings that is not as it should be, in the words of its schema. */
export function refuseInput({ issues }: z.ZodError): Refusal {
  return refuse(issues.map(({ message }) => message).join(' '))
}

const NOT_JSON = 'What was sent is not said to be JSON. Load the page again.'

const JSON_SENTENCES = {
  'not-json': 'What was sent cannot be read. Load the page again.',
  'too-deep': 'What was sent is nested deeper than anything that Udrix writes.',
} as const

const IS_JSON = /^application\/json\b/i

/** The JSON of a request; throws the route's own kind of refusal where there is none. */
export async function readJson(request: Request): Promise<unknown> {
  // A page from elsewhere may send text without asking first, and JSON only after it has asked.
  if (!IS_JSON.test(request.headers.get('Content-Type') ?? ''))
    throw Response.json({ kind: 'refused', sentence: NOT_JSON }, { status: 415 })
  const parsed = parseJson(await request.text().catch(() => ''))
  if (parsed.ok) return parsed.content
  // Responses are thrown by design of the router.
  throw Response.json({ kind: 'refused', sentence: JSON_SENTENCES[parsed.code] }, { status: 400 })
}
