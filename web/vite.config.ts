import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { smallFonts } from './fonts';
import { words } from './words';

export default defineConfig({
  plugins: [
    smallFonts(),
    words(),
    react(),
    compression({ algorithms: ['brotliCompress'], include: /\.(js|css|svg)$/ }),
  ],
  build: { sourcemap: false, assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:8480' } },
});
