import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  // The middleware compares origin and host itself, for every request and not for forms only.
  security: { checkOrigin: false },
  vite: { plugins: [tailwindcss()], build: { assetsInlineLimit: 0 }, worker: { format: 'es' } },
  experimental: {
    csp: {
      directives: [
        "default-src 'none'",
        "connect-src 'self'",
        "img-src 'self' data: blob:",
        "font-src 'self' data:",
        "worker-src 'self'",
        "form-action 'self'",
        "base-uri 'none'",
      ],
    },
  },
});
