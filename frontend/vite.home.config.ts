import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/**
 * The phone's page, built apart: the same React code on Preact's small runtime, so that it comes at
 * once over a slow network. docs/decisions/0011 says why.
 */
export default defineConfig({
  base: '/static/',
  publicDir: false,
  plugins: [react()],
  resolve: {
    alias: {
      'react/jsx-runtime': 'preact/jsx-runtime',
      'react-dom/client': 'preact/compat/client',
      'react-dom': 'preact/compat',
      react: 'preact/compat',
    },
  },
  build: {
    target: 'es2022',
    sourcemap: false,
    outDir: process.env.JOLF_DIST ?? 'dist',
    emptyOutDir: false,
    rollupOptions: { input: { home: 'home.html' } },
  },
});
