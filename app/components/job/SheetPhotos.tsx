import { useOpenBox } from '~/components/box/boxContext.ts'
import { CheckField } from '~/components/Fields.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { leftOutPhotos, withPhotoOnSheet } from '~/views/job/sheetPhotos.ts'

import { PhotoPicture } from './PhotoPicture.tsx'
import { useJobOutbox, useOpenJob } from './jobContext.ts'

/** The photographs of the job that go with the unit: all of them but those that are left off. */
export function SheetPhotos() {
  const { id } = useOpenBox()
  const { job } = useOpenJob()
  const { pending } = useJobOutbox()
  const [search, change] = useAddress('record')
  const leftOut = leftOutPhotos(search.without)
  const waiting = new Set(
    pending.flatMap(({ entry: { body } }) => (body.kind === 'photo' ? [body.photo] : [])),
  )
  const photos = job.entries.flatMap(({ body }) => (body.kind === 'photo' ? [body] : []))
  if (photos.length === 0) return null
  const isEmpty = photos.every(({ photo }) => leftOut.has(photo))
  return (
    <section aria-label="Photographs on the sheet" className={isEmpty ? 'print:hidden' : undefined}>
      <h3 className="text-[1.15rem]">Photographs</h3>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-3">
        {photos.map(({ photo, caption }) => {
          const isOn = !leftOut.has(photo)
          return (
            <li key={photo} className={isOn ? undefined : 'opacity-50 print:hidden'}>
              <figure>
                <PhotoPicture
                  boxId={id}
                  photo={photo}
                  caption={caption}
                  isWaiting={waiting.has(photo)}
                  isLinked={false}
                />
                <figcaption>{caption}</figcaption>
              </figure>
              <div className="no-print">
                <CheckField
                  label="On the sheet"
                  isChecked={isOn}
                  onChange={(isChosen) => {
                    change({ without: withPhotoOnSheet(leftOut, photo, isChosen) })
                  }}
                />
              </div>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
