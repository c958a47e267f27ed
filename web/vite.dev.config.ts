import { fileURLToPath, URL } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 1200, outDir: 'dist.next', emptyOutDir: true },
  server: {
    proxy: {
      '/api': { target: 'http://localhost:4901', changeOrigin: true, headers: { origin: 'http://localhost:4901' } },
      '/live': { target: 'ws://localhost:4901', ws: true, changeOrigin: true, headers: { origin: 'http://localhost:4901' } },
    },
  },
})
