/** Somebody who enters things without pause, and sends again what was not answered, as pages do. */
import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'

const RETRY_MS = 150
const TIMEOUT_MS = 10_000

/** What the server said it has kept. */
export interface Kept {
  readonly edits: number
  readonly entries: readonly string[]
  readonly photos: readonly string[]
}

async function picture(): Promise<Buffer> {
  const noise = { type: 'gaussian', mean: 128, sigma: 60 } as const
  return sharp({ create: { width: 320, height: 240, channels: 3, background: '#888', noise } })
    .jpeg()
    .toBuffer()
}

export class Client {
  readonly #base: string
  readonly #boxId: string
  readonly #jobId: string
  readonly #entries: string[] = []
  readonly #photos: string[] = []
  #edits = 0
  #isStopping = false

  constructor(base: string, boxId: string, jobId: string) {
    this.#base = base
    this.#boxId = boxId
    this.#jobId = jobId
  }

  get kept(): Kept {
    return { edits: this.#edits, entries: [...this.#entries], photos: [...this.#photos] }
  }

  stop(): void {
    this.#isStopping = true
  }

  /** Posts until it is answered as kept; false where it was stopped before. */
  async #post(path: string, init: () => RequestInit): Promise<boolean> {
    while (!this.#isStopping) {
      try {
        const response = await fetch(`${this.#base}/boxes/${this.#boxId}/${path}`, {
          method: 'POST',
          signal: AbortSignal.timeout(TIMEOUT_MS),
          ...init(),
        })
        const text = await response.text()
        if (response.ok && text.includes('"kept"')) return true
        if (response.status !== 503) throw new TypeError(`${path}: ${response.status} ${text}`)
      } catch (error) {
        if (error instanceof TypeError && error.message.includes(': ')) throw error
      }
      await new Promise((resolve) => setTimeout(resolve, RETRY_MS))
    }
    return false
  }

  #json(path: string, content: unknown): Promise<boolean> {
    return this.#post(path, () => ({
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(content),
    }))
  }

  /** Renames the box, each time from the name before: a lost or doubled edit breaks the chain. */
  async enterEdits(): Promise<void> {
    while (!this.#isStopping) {
      const edit = { kind: 'rename', name: `kill ${this.#edits + 1}`, base: `kill ${this.#edits}` }
      if (await this.#json('edits', { id: uuidv7(), edit })) this.#edits += 1
    }
  }

  async enterEntries(): Promise<void> {
    while (!this.#isStopping) {
      const id = uuidv7()
      const at = new Date().toISOString()
      const entry = { id, at, by: 'K', body: { kind: 'note', text: `note ${id}` } }
      if (await this.#json('entries', { jobId: this.#jobId, entry, sentAt: at }))
        this.#entries.push(id)
    }
  }

  async enterPhotos(): Promise<void> {
    const bytes = await picture()
    while (!this.#isStopping) {
      const id = uuidv7()
      const sent = await this.#post('photos', () => {
        const body = new FormData()
        body.set('jobId', this.#jobId)
        body.set('photo', id)
        body.set('file', new Blob([new Uint8Array(bytes)]), 'photo.jpg')
        return { body }
      })
      if (sent) this.#photos.push(id)
      await new Promise((resolve) => setTimeout(resolve, 4 * RETRY_MS))
    }
  }
}
