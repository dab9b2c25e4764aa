declare module 'virtual:react-router/server-build' {
  import type { ServerBuild } from 'react-router'

  const build: ServerBuild
  export = build
}

declare module '*.css?raw' {
  const text: string
  export default text
}
