import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  base: '/static/',
  plugins: [react()],
  build: {
    target: 'es2022',
    sourcemap: false,
    rollupOptions: { input: { index: 'index.html', home: 'home.html' } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8000' } },
});
