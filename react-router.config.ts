import type { Config } from '@react-router/dev/config'

export default { ssr: true, buildDirectory: process.env.UDRIX_BUILD ?? 'build' } satisfies Config
