/** Makes a photograph small enough to send, in the browser. */
import { LARGEST_FILE_BYTES, LONGEST_SIDE_PX, NOT_A_PHOTO } from '~/files/photo.ts'

/** Of the JPEG that a large photograph becomes. */
const QUALITY = 0.82
/** A small file of a small picture is sent as it is. */
const SMALL_BYTES = 400_000

type Shrunk =
  | { readonly ok: true; readonly blob: Blob }
  | { readonly ok: false; readonly sentence: string }

/** The size of a picture with its longer side cut to the longest. */
function shrunkSize(width: number, height: number): readonly [number, number] {
  const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(width, height))
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))]
}

export async function shrinkPhoto(file: File): Promise<Shrunk> {
  if (file.size > LARGEST_FILE_BYTES)
    return {
      ok: false,
      sentence: `The file has ${Math.round(file.size / 1_000_000)} MB; a photograph has ${LARGEST_FILE_BYTES / 1_000_000} MB at most. Let the camera make a smaller one.`,
    }
  const bitmap = await createImageBitmap(file).catch(() => undefined)
  if (!bitmap) return { ok: false, sentence: NOT_A_PHOTO }
  const [width, height] = shrunkSize(bitmap.width, bitmap.height)
  if (width === bitmap.width && file.size <= SMALL_BYTES) return { ok: true, blob: file }
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, width, height)
  const blob = await new Promise<Blob | null>((resolve) => {
    canvas.toBlob(resolve, 'image/jpeg', QUALITY)
  })
  return blob ? { ok: true, blob } : { ok: false, sentence: NOT_A_PHOTO }
}
