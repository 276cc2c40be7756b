import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue(), tailwindcss()],
  // Components are written with setup() alone.
  define: {
    __VUE_OPTIONS_API__: 'false',
    __VUE_PROD_DEVTOOLS__: 'false',
    __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: 'false',
  },
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
