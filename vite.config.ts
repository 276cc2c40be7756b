import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue(), tailwindcss()],
  base: '/build/',
  publicDir: 'frontend/public',
  build: {
    outDir: 'public/build',
    emptyOutDir: true,
    manifest: true,
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
    rollupOptions: { input: 'frontend/main.ts' },
  },
  test: { environment: 'jsdom', include: ['frontend/**/*.test.ts'], setupFiles: 'frontend/shared/testSetup.ts' },
})
