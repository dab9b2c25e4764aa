/** What the archive page asks of the server. */
import type { ArchiveTask } from '~/files/archiveTask.ts'

const POLL_MS = 400
const TRY_AGAIN_MS = 2_000

type Begun =
  | { readonly ok: true; readonly id: string }
  | { readonly ok: false; readonly sentence: string }

const NO_ANSWER = 'Udrix does not answer. Nothing was changed. Try again in a moment.'

function read(text: string): Readonly<Record<string, unknown>> {
  try {
    const content: unknown = JSON.parse(text)
    return typeof content === 'object' && content !== null ? { ...content } : {}
  } catch {
    return {}
  }
}

function begun(text: string, key: string): Begun {
  const { [key]: id, sentence } = read(text)
  if (typeof id === 'string') return { ok: true, id }
  return { ok: false, sentence: typeof sentence === 'string' ? sentence : NO_ANSWER }
}

/** Sends a file; `onProgress` hears the share that has arrived. `fetch` cannot tell that. */
export function sendArchive(file: File, onProgress: (share: number) => void): Promise<Begun> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest()
    request.open('POST', '/archive/uploads')
    request.setRequestHeader('Content-Type', 'application/zip')
    request.upload.onprogress = ({ loaded, total }) => {
      if (total > 0) onProgress(loaded / total)
    }
    request.onload = () => {
      resolve(begun(request.responseText, 'upload'))
    }
    request.onerror = () => {
      resolve({ ok: false, sentence: NO_ANSWER })
    }
    request.send(file)
  })
}

/** Begins to look through an archive that was sent, or to read it in. */
export async function beginWork(upload: string, work: 'preview' | 'read'): Promise<Begun> {
  try {
    const response = await fetch(`/archive/uploads/${upload}/${work}`, { method: 'POST' })
    return begun(await response.text(), 'task')
  } catch {
    return { ok: false, sentence: NO_ANSWER }
  }
}

/** How work ended; `onProgress` hears how far it is. A server that is away is waited for. */
export async function followTask(
  task: string,
  onProgress: (task: ArchiveTask) => void,
  signal: AbortSignal,
): Promise<ArchiveTask> {
  for (;;) {
    let wait = POLL_MS
    try {
      const response = await fetch(`/archive/tasks/${task}`, { signal })
      if (response.status === 404) return { state: 'failed' }
      // The server's own answer, of this shape alone.
      const told = (await response.json()) as ArchiveTask
      onProgress(told)
      if (told.state !== 'running') return told
    } catch {
      if (signal.aborted) return { state: 'failed' }
      wait = TRY_AGAIN_MS
    }
    await new Promise((resolve) => setTimeout(resolve, wait))
  }
}

export function cancelWork(task: string): void {
  fetch(`/archive/tasks/${task}/cancel`, { method: 'POST' }).catch(() => undefined)
}
