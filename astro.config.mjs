import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';
import { build } from 'esbuild';
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { writeKernels } from './scripts/kernels.mjs';
import { licences } from './scripts/licences.mjs';

const here = (path) => fileURLToPath(new URL(path, import.meta.url));

/** The scripts are sent without the comments of their licences; those stand in a file beside them. */
const licencesBeside = {
  name: 'licences-beside',
  hooks: { 'astro:build:done': ({ dir }) => writeFileSync(new URL('licences.txt', dir), licences()) },
};

/** The door before the server, and what the threads of its pool run, as files of their own; packages stay where they are installed. */
const besideServer = {
  name: 'beside-the-server',
  hooks: {
    'astro:build:start': writeKernels,
    'astro:build:done': () =>
      build({
        entryPoints: { thread: here('./src/server/threads/thread.ts'), door: here('./src/server/door/index.ts') },
        outdir: here('./dist/server'),
        outExtension: { '.js': '.mjs' },
        bundle: true,
        platform: 'node',
        format: 'esm',
        packages: 'external',
        logLevel: 'warning',
      }),
  },
};

/** Islands that wait for the first painting. */
const painted = {
  name: 'when-painted',
  hooks: {
    'astro:config:setup': ({ addClientDirective }) =>
      addClientDirective({ name: 'painted', entrypoint: here('./src/islands/painted.ts') }),
  },
};

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [react(), painted, licencesBeside, besideServer],
  devToolbar: { enabled: false },
  // The middleware compares origin and host itself, for every request and not for forms only.
  security: { checkOrigin: false },
  vite: {
    plugins: [tailwindcss()],
    esbuild: { legalComments: 'none' },
    build: { assetsInlineLimit: 0, rollupOptions: { output: { experimentalMinChunkSize: 20_000 } } },
    worker: { format: 'es' },
  },
  experimental: {
    csp: {
      // The kernel of shuffles is WebAssembly.
      scriptDirective: { resources: ["'self'", "'wasm-unsafe-eval'"] },
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
