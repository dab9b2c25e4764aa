import { Camera, TriangleAlert, Undo2 } from 'lucide-react'
import { useState } from 'react'
import { v7 as uuidv7 } from 'uuid'

import type { Entry } from 'core'

import type { PhotoAnswer } from '~/photo.ts'
import { LARGEST_FILE_BYTES } from '~/photo.ts'

import { useOpenJob } from './jobContext.ts'
import { shrinkPhoto } from './shrinkPhoto.ts'

/** Pictures shown before more are asked for. */
const PAGE = 12

interface PhotosProps {
  readonly boxId: string
  /** The part that they show; all photographs of the job where it is not given. */
  readonly part?: string | undefined
  /** The measurement that they belong to. */
  readonly entry?: string | undefined
}

/** A photograph that is on its way. */
interface Upload {
  readonly id: string
  readonly blob: Blob
}

async function send(boxId: string, jobId: string, { id, blob }: Upload): Promise<PhotoAnswer> {
  const form = new FormData()
  form.set('jobId', jobId)
  form.set('photo', id)
  form.set('file', blob, 'photo')
  try {
    const response = await fetch(`/boxes/${boxId}/photos`, { method: 'POST', body: form })
    // Our own route answers with nothing else.
    return (await response.json()) as PhotoAnswer
  } catch {
    return { kind: 'not-yet' }
  }
}

type PhotoEntry = Entry & { readonly body: { readonly kind: 'photo' } }

/** The photographs of a job or of one part of it, and a way to add one. */
export function Photos({ boxId, part, entry: of }: PhotosProps) {
  const { job, current, record } = useOpenJob()
  const [problem, setProblem] = useState<string>()
  const [waiting, setWaiting] = useState<Upload>()
  const [caption, setCaption] = useState('')
  const [shown, setShown] = useState(PAGE)
  const isDisabled = current === undefined || job.isClosed
  const photos = job.entries
    .filter((entry): entry is PhotoEntry => entry.body.kind === 'photo')
    .filter(({ body }) => part === undefined || body.part === part)
    .filter(({ body }) => of === undefined || body.entry === of)
    .reverse()

  const upload = async (one: Upload): Promise<void> => {
    if (!current) return
    setWaiting(one)
    setProblem(undefined)
    const answer = await send(boxId, current.id, one)
    switch (answer.kind) {
      case 'kept':
        record({
          kind: 'photo',
          photo: one.id,
          caption: caption.trim(),
          ...(part !== undefined && { part }),
          ...(of !== undefined && { entry: of }),
        })
        setWaiting(undefined)
        setCaption('')
        break
      case 'refused':
        setWaiting(undefined)
        setProblem(answer.sentence)
        break
      case 'not-yet':
        setProblem('Udrix does not answer. The photograph is still here: send it again.')
    }
  }
  const choose = async (file: File): Promise<void> => {
    const shrunk = await shrinkPhoto(file)
    if (shrunk.ok) await upload({ id: uuidv7(), blob: shrunk.blob })
    else setProblem(shrunk.sentence)
  }
  return (
    <section aria-label="Photographs">
      <h2 className="text-[1.2rem]">Photographs</h2>
      <div className="flex flex-wrap items-end gap-2">
        <label className="font-semibold">
          What the next one shows
          <input
            className="field mt-1 block w-[14rem] font-normal"
            value={caption}
            maxLength={200}
            disabled={isDisabled}
            onChange={(event) => {
              setCaption(event.target.value)
            }}
          />
        </label>
        <label
          className={`button ${isDisabled ? 'pointer-events-none opacity-60' : 'cursor-pointer'}`}
        >
          <Camera aria-hidden /> Add a photograph
          <input
            type="file"
            className="sr-only"
            accept="image/jpeg,image/png,image/webp"
            disabled={isDisabled}
            onChange={(event) => {
              const [file] = event.target.files ?? []
              if (file) void choose(file)
              event.target.value = ''
            }}
          />
        </label>
        {waiting && problem && (
          <button type="button" className="button" onClick={() => void upload(waiting)}>
            Send it again
          </button>
        )}
      </div>
      <p className="text-graphite text-[0.92rem]">
        JPEG, PNG or WebP, {LARGEST_FILE_BYTES / 1_000_000} MB at most; made smaller before it is
        sent.
      </p>
      {problem && (
        <p role="alert" className="trouble">
          <TriangleAlert aria-hidden /> {problem}
        </p>
      )}
      {photos.length > 0 && (
        <ul aria-label="Photographs of this job" className="mt-1 flex flex-wrap gap-3">
          {photos.slice(0, shown).map(({ id, body }) => (
            <li key={id} className="w-[10rem]">
              <a href={`/boxes/${boxId}/photos/${body.photo}`}>
                <img
                  src={`/boxes/${boxId}/photos/${body.photo}`}
                  alt={body.caption === '' ? 'Photograph without a caption' : body.caption}
                  loading="lazy"
                  className="border-rule h-[7rem] w-full border object-cover"
                />
              </a>
              <span className="block text-[0.92rem] break-words">{body.caption}</span>
              {!isDisabled && (
                <button
                  type="button"
                  className="button-quiet"
                  aria-label={`Take back the photograph: ${body.caption}`}
                  onClick={() => {
                    record({ kind: 'withdraw', entry: id })
                  }}
                >
                  <Undo2 aria-hidden /> Take back
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {photos.length > shown && (
        <button
          type="button"
          className="button mt-1"
          onClick={() => {
            setShown(shown + PAGE)
          }}
        >
          Show {Math.min(PAGE, photos.length - shown)} more of {photos.length}
        </button>
      )}
    </section>
  )
}
