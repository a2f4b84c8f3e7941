import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';
import { words } from './words';

export default defineConfig({
  plugins: [words(), react()],
  test: { environment: 'jsdom', setupFiles: ['src/test/setup.ts'], testTimeout: 30_000 },
});
