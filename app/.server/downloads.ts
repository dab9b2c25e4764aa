/** Headers of a file that is sent to be kept. */
export function attachment(type: string, name: string, extension: string): HeadersInit {
  const fileName = name.match(/[\p{L}\p{N}]+/gu)?.join('-') ?? 'box'
  return {
    'Content-Type': `${type}; charset=utf-8`,
    'Content-Disposition': `attachment; filename="udrix.${extension}"; filename*=UTF-8''${encodeURIComponent(`${fileName}.${extension}`)}`,
  }
}
