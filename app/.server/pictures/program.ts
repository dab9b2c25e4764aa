/**
 * Looks at pictures in a process of its own, one after another as they are sent, so that one
 * that was made to cost time or memory costs nobody else any. Ends with whoever started it.
 */
import { lookAt } from './look.ts'

process.on('message', (bytes: Uint8Array) => {
  void lookAt(Buffer.from(bytes)).then((look) => process.send?.(look))
})
process.on('disconnect', () => process.exit(0))
