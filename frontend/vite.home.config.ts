import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

import { splitMessages } from './messages/aliases.ts';
import { inlineMessages } from './messages/inline.mjs';

/**
 * The phone's page, built apart: the same React code on Preact's small runtime, so that it comes at
 * once over a slow network. docs/decisions/0011 says why.
 */
export default defineConfig(({ command }) => ({
  base: '/static/',
  publicDir: false,
  plugins: [inlineMessages(), react()],
  resolve: {
    alias: [
      { find: 'react/jsx-runtime', replacement: 'preact/jsx-runtime' },
      { find: 'react-dom/client', replacement: 'preact/compat/client' },
      { find: 'react-dom', replacement: 'preact/compat' },
      { find: 'react', replacement: 'preact/compat' },
      ...splitMessages(command),
    ],
  },
  build: {
    target: 'es2022',
    sourcemap: false,
    outDir: process.env.JOLF_DIST ?? 'dist',
    emptyOutDir: false,
    rollupOptions: { input: { home: 'home.html' } },
  },
}));
