import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue()],
  build: { chunkSizeWarningLimit: 2000 },
  // For work on the screens: `npx vite` in this folder, beside a running `npm start`.
  server: { proxy: { '/api': 'http://127.0.0.1:4310', '/preview': 'http://127.0.0.1:4310' } },
})
