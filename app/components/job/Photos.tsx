import { Camera, Undo2 } from 'lucide-react'
import { useState } from 'react'
import { v7 as uuidv7 } from 'uuid'

import type { Entry } from 'core'

import { TypedField } from '~/components/Fields.tsx'
import { LARGEST_FILE_BYTES } from '~/files/photo.ts'
import { storePhoto } from '~/client/outbox/photoStore.ts'
import { shrinkPhoto } from '~/client/shrinkPhoto.ts'
import { LONGEST_LINE, tooLongWords } from '~/words/lengths.ts'
import { Warning } from '~/components/Warning.tsx'

import { PhotoPicture } from './PhotoPicture.tsx'
import { useJobOutbox, useOpenJob } from './jobContext.ts'

/** Pictures shown before more are asked for. */
const PAGE = 12

interface PhotosProps {
  readonly boxId: string
  /** The part that they show; all photographs of the job where it is not given. */
  readonly part?: string | undefined
  /** The measurement that they belong to. */
  readonly entry?: string | undefined
}

type PhotoEntry = Entry & { readonly body: { readonly kind: 'photo' } }

interface OnePhotoProps {
  readonly boxId: string
  readonly shows: PhotoEntry['body']
  /** It has not reached the server. */
  readonly isWaiting: boolean
  readonly onTakeBack: (() => void) | undefined
}

function OnePhoto({ boxId, shows: { photo, caption }, isWaiting, onTakeBack }: OnePhotoProps) {
  return (
    <>
      <PhotoPicture boxId={boxId} photo={photo} caption={caption} isWaiting={isWaiting} />
      <span className="block text-[0.92rem] break-words">{caption}</span>
      {onTakeBack && (
        <button
          type="button"
          className="button-quiet"
          aria-label={`Take back the photograph: ${caption}`}
          onClick={onTakeBack}
        >
          <Undo2 aria-hidden /> Take back
        </button>
      )}
    </>
  )
}

interface PhotoButtonProps {
  readonly isDisabled: boolean
  readonly onChoose: (file: File) => void
}

function PhotoButton({ isDisabled, onChoose }: PhotoButtonProps) {
  return (
    <label className={`button ${isDisabled ? 'pointer-events-none opacity-60' : 'cursor-pointer'}`}>
      <Camera aria-hidden /> Add a photograph
      <input
        type="file"
        className="sr-only"
        accept="image/jpeg,image/png,image/webp"
        disabled={isDisabled}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          if (file) onChoose(file)
          event.target.value = ''
        }}
      />
    </label>
  )
}

interface AddPhotoProps extends Pick<PhotosProps, 'part' | 'entry'> {
  readonly isDisabled: boolean
  /** Whether any has not reached the server. */
  readonly isWaiting: boolean
}

/** Asks for a photograph and what it shows. */
function AddPhoto({ part, entry: of, isDisabled, isWaiting }: AddPhotoProps) {
  const { record } = useOpenJob()
  const [problem, setProblem] = useState<string>()
  const [isOnPageOnly, setIsOnPageOnly] = useState(false)
  const [caption, setCaption] = useState('')
  const choose = async (file: File): Promise<void> => {
    setProblem(undefined)
    const shrunk = await shrinkPhoto(file)
    if (!shrunk.ok) {
      setProblem(shrunk.sentence)
      return
    }
    const photo = uuidv7()
    setIsOnPageOnly(!(await storePhoto(photo, shrunk.blob)))
    record({
      kind: 'photo',
      photo,
      caption: caption.trim(),
      ...(part !== undefined && { part }),
      ...(of !== undefined && { entry: of }),
    })
    setCaption('')
  }
  return (
    <>
      <div className="flex flex-wrap items-end gap-2">
        <TypedField
          label="What the next one shows"
          className="w-[14rem]"
          value={caption}
          longest={LONGEST_LINE}
          isDisabled={isDisabled}
          onType={setCaption}
        />
        <PhotoButton
          isDisabled={isDisabled || tooLongWords(caption, LONGEST_LINE) !== null}
          onChoose={(file) => {
            void choose(file)
          }}
        />
      </div>
      <p className="text-graphite text-[0.92rem]">
        JPEG, PNG or WebP, {LARGEST_FILE_BYTES / 1_000_000} MB at most; made smaller before it is
        sent.
      </p>
      {isOnPageOnly && isWaiting && (
        <Warning role="alert">
          This browser keeps no photographs. Leave the page open until it is sent.
        </Warning>
      )}
      {problem && <Warning role="alert">{problem}</Warning>}
    </>
  )
}

/** The photographs of a job or of one part of it, and a way to add one. */
export function Photos({ boxId, part, entry: of }: PhotosProps) {
  const { job, current, record } = useOpenJob()
  const { pending } = useJobOutbox()
  const waiting = new Set(
    pending.flatMap(({ entry: { body } }) => (body.kind === 'photo' ? [body.photo] : [])),
  )
  const [shown, setShown] = useState(PAGE)
  const isDisabled = current === undefined || job.isClosed
  const photos = job.entries
    .filter((entry): entry is PhotoEntry => entry.body.kind === 'photo')
    .filter(({ body }) => part === undefined || body.part === part)
    .filter(({ body }) => of === undefined || body.entry === of)
    .reverse()

  return (
    <section aria-label="Photographs">
      <h2 className="text-[1.2rem]">Photographs</h2>
      <AddPhoto part={part} entry={of} isDisabled={isDisabled} isWaiting={waiting.size > 0} />
      {photos.length > 0 && (
        <ul aria-label="Photographs of this job" className="mt-1 flex flex-wrap gap-3">
          {photos.slice(0, shown).map(({ id, body }) => (
            <li key={id} className="w-[10rem]">
              <OnePhoto
                boxId={boxId}
                shows={body}
                isWaiting={waiting.has(body.photo)}
                onTakeBack={
                  isDisabled
                    ? undefined
                    : () => {
                        record({ kind: 'withdraw', entry: id })
                      }
                }
              />
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
