import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss()],
  // Fonts and pictures stay files: the content policy allows no data: fonts.
  build: { assetsInlineLimit: 0, target: 'es2022', chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env['PORT'] ?? 4310}` } },
})
