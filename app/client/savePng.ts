/** Pixels for one unit of the drawing's viewBox: fine enough for print at a hand's width. */
const PIXELS_PER_UNIT = 2

/** Draws an SVG of our own server into a picture and hands it to the person as a file. */
export async function savePng(svgUrl: string, name: string): Promise<void> {
  const response = await fetch(svgUrl)
  if (!response.ok) throw new Error(`${svgUrl} answered ${response.status}`)
  const text = await response.text()
  const [, width, height] = /viewBox="0 0 ([0-9.]+) ([0-9.]+)"/.exec(text) ?? []
  if (width === undefined || height === undefined) throw new Error('the drawing has no size')
  const canvas = document.createElement('canvas')
  canvas.width = Number(width) * PIXELS_PER_UNIT
  canvas.height = Number(height) * PIXELS_PER_UNIT
  const sized = text.replace('<svg ', `<svg width="${canvas.width}" height="${canvas.height}" `)
  const source = URL.createObjectURL(new Blob([sized], { type: 'image/svg+xml' }))
  try {
    const image = new Image()
    image.src = source
    await image.decode()
    const context = canvas.getContext('2d')
    if (!context) throw new Error('the browser draws no pictures')
    context.fillStyle = '#ffffff'
    context.fillRect(0, 0, canvas.width, canvas.height)
    context.drawImage(image, 0, 0, canvas.width, canvas.height)
  } finally {
    URL.revokeObjectURL(source)
  }
  const picture = await new Promise<Blob>((resolve, reject) => {
    canvas.toBlob((blob) => {
      if (blob) resolve(blob)
      else reject(new Error('the browser makes no PNG'))
    }, 'image/png')
  })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(picture)
  link.download = `${name}.png`
  link.click()
  URL.revokeObjectURL(link.href)
}
