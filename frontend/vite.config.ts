import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  base: '/static/',
  plugins: [react()],
  build: {
    emptyOutDir: true,
    target: 'es2022',
    sourcemap: false,
    outDir: process.env.JOLF_DIST ?? 'dist',
    rollupOptions: { input: { index: 'index.html' } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8000' } },
});
