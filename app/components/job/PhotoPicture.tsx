import { useEffect, useState } from 'react'

import { findPhoto } from '~/client/outbox/photoStore.ts'

interface PhotoPictureProps {
  readonly boxId: string
  readonly photo: string
  readonly caption: string
  /** Whether it has not reached the server, so that this browser alone has it. */
  readonly isWaiting: boolean
  /** Whether it leads to itself in full. */
  readonly isLinked?: boolean
}

/** One photograph, from the server or while it waits from this browser. */
export function PhotoPicture(props: PhotoPictureProps) {
  const { boxId, photo, caption, isWaiting, isLinked = true } = props
  const [held, setHeld] = useState<string>()
  useEffect(() => {
    if (!isWaiting) return
    let url: string | undefined
    let isGone = false
    void findPhoto(photo).then((blob) => {
      if (!blob || isGone) return
      url = URL.createObjectURL(blob)
      setHeld(url)
    })
    return () => {
      isGone = true
      if (url !== undefined) URL.revokeObjectURL(url)
      setHeld(undefined)
    }
  }, [photo, isWaiting])
  const alt = caption === '' ? 'Photograph without a caption' : caption
  const look = 'border-rule h-[7rem] w-full border object-cover'
  if (isWaiting)
    return (
      <>
        {held === undefined ? (
          <span className={`${look} block`} />
        ) : (
          <img src={held} alt={alt} className={look} />
        )}
        <span className="text-graphite block text-[0.86rem]">Not sent yet</span>
      </>
    )
  const href = `/boxes/${boxId}/photos/${photo}`
  const picture = <img src={href} alt={alt} loading="lazy" className={look} />
  return isLinked ? <a href={href}>{picture}</a> : picture
}
