import vue from '@vitejs/plugin-vue'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  html: { cspNonce: '__NONCE__' },
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    outDir: '../src/ample/web/built',
    emptyOutDir: true,
    manifest: true,
    assetsInlineLimit: 0,
    reportCompressedSize: true,
  },
  test: { include: ['tests/**/*.test.ts'] },
  server: { proxy: { '/api': process.env['AMPLE_API'] ?? 'http://127.0.0.1:8040' } },
})
