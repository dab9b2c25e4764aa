/** What others notice of hostile forms and pictures that come beside a whole shop's work. */
import autocannon from 'autocannon'
import sharp from 'sharp'

import { WAY } from '../../app/views/box/way.ts'
import { ms, percentile, report, times } from './measure.ts'

const CLIENTS = 50
const SECONDS = 20
/** Of each, as many as thirty in a minute. */
const HOSTILE_EVERY_MS = 2_000
const HEALTH_EVERY_MS = 100
const MOST_HEALTH_MS = 1_000
const MOST_TIMES = 3

const MEGABYTE = 1_000_000
/** As much as is taken of a form of fields. */
const FIELDS_BYTES = 390_000

interface Sent {
  readonly headers: Readonly<Record<string, string>>
  readonly body: Buffer<ArrayBuffer>
}

/** A form as it is sent, made once: what it costs to make one is not the server's. */
async function madeOf(form: FormData | URLSearchParams): Promise<Sent> {
  const made = new Response(form)
  const body = Buffer.from(await made.arrayBuffer())
  const headers = {
    'Content-Type': made.headers.get('Content-Type') ?? '',
    'Content-Length': `${body.length}`,
  }
  return { headers, body }
}

/** A number of leaves that is nearly all spaces. */
function leaves(length: number): Record<string, string> {
  return { intent: 'shelf', leaves: `1${' '.repeat(length)}y` }
}

function formOf(fields: Record<string, string | Blob>): FormData {
  const form = new FormData()
  for (const [name, value] of Object.entries(fields)) form.set(name, value)
  return form
}

async function post(url: string, sent: Sent): Promise<void> {
  const answer = await fetch(url, { method: 'POST', ...sent, redirect: 'manual' })
  await answer.text()
}

/** Does something again and again until it is told to stop. */
function again(everyMs: number, work: () => Promise<unknown>): () => Promise<void> {
  const wanted = new AbortController()
  const done = (async () => {
    while (!wanted.signal.aborted) {
      const from = performance.now()
      await work()
      await new Promise((resolve) =>
        setTimeout(resolve, Math.max(0, everyMs - (performance.now() - from))),
      )
    }
  })()
  return async () => {
    wanted.abort()
    await done
  }
}

/** Fifty clients on the main pages, hostile forms and pictures beside them, and the health check all along. */
export async function benchFlood(base: string, box: string): Promise<void> {
  const picture = await sharp({
    create: { width: 9990, height: 9990, channels: 3, background: 'white' },
  })
    .png({ compressionLevel: 9 })
    .toBuffer()
  const forms = await Promise.all([
    madeOf(formOf(leaves(MEGABYTE))),
    madeOf(new URLSearchParams(leaves(FIELDS_BYTES))),
  ])
  const photo = await madeOf(
    formOf({
      jobId: crypto.randomUUID(),
      photo: crypto.randomUUID(),
      file: new Blob([new Uint8Array(picture)]),
    }),
  )
  const health: number[] = []
  let sentForms = 0
  const stops = [
    again(HEALTH_EVERY_MS, async () => {
      const from = performance.now()
      await (await fetch(`${base}/healthz`)).text()
      health.push(performance.now() - from)
    }),
    again(HOSTILE_EVERY_MS, async () => {
      const form = forms[sentForms++ % forms.length]
      if (form) await post(`${base}/shelf`, form)
    }),
    again(HOSTILE_EVERY_MS, () => post(`${base}${box}/photos`, photo)),
  ]
  const ofBox = WAY.flatMap((step) => step.pages).map(({ path }) => `${box}/${path}`)
  const paths = ['/', '/shelf', '/new', '/archive', '/glossary', ...ofBox]
  const pages = autocannon({
    url: base,
    connections: CLIENTS - 10,
    duration: SECONDS,
    requests: paths.map((path) => ({ path })),
  })
  const trace = await autocannon({
    url: `${base}${box}/trace?position=2`,
    connections: 10,
    duration: SECONDS,
  })
  const { non2xx, errors } = await pages
  await Promise.all(stops.map((stop) => stop()))
  const p99 = percentile(health, 0.99)
  const beside = percentile(health, 0.975)
  report(
    `Server: ${CLIENTS} clients on ${paths.length} pages with 30 hostile forms and 30 hostile pictures a minute`,
    `Trace ${times(trace.latency.p97_5, beside)} the health check; health check p99 ${ms(p99)}; Trace p97.5 ${ms(trace.latency.p97_5)}`,
    `health check p97.5 ${ms(beside)} in the same run; ${non2xx} answers not 2xx, ${errors} errors`,
    {
      [`health under ${MOST_HEALTH_MS} ms at p99`]: p99 < MOST_HEALTH_MS,
      [`Trace within ${MOST_TIMES} times the health check`]:
        trace.latency.p97_5 < MOST_TIMES * beside,
      'no error': errors === 0,
    },
  )
}
