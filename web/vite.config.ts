import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { smallFonts } from './fonts';
import { signsOfBadges } from './signs';
import { words } from './words';

export default defineConfig({
  plugins: [
    smallFonts(),
    words(),
    signsOfBadges(),
    react(),
    compression({ algorithms: ['brotliCompress'], include: /\.(js|css|svg|json)$/ }),
  ],
  build: { sourcemap: false, assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:8480' } },
});
