import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

import { splitMessages } from './messages/aliases.ts';
import { inlineMessages } from './messages/inline.mjs';

export default defineConfig(({ command }) => ({
  base: '/static/',
  plugins: [inlineMessages(), react()],
  resolve: { alias: splitMessages(command) },
  build: {
    emptyOutDir: true,
    target: 'es2022',
    sourcemap: false,
    outDir: process.env.JOLF_DIST ?? 'dist',
    rollupOptions: { input: { index: 'index.html' } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8000' } },
}));
