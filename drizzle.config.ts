import { defineConfig } from 'drizzle-kit'

export default defineConfig({
  dialect: 'postgresql',
  schema: './app/.server/db/tables/*.ts',
  out: './app/.server/db/migrations',
})
