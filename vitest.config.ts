import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['core/test/**/*.test.ts', 'cli/test/**/*.test.ts', 'web/test/**/*.test.ts', 'demo/test/**/*.test.ts'],
    testTimeout: 120_000,
    hookTimeout: 120_000,
  },
})
