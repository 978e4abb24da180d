// @ts-check
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'astro/config';
import node from '@astrojs/node';
import react from '@astrojs/react';

/** @type {import('astro').AstroIntegration} */
const local = {
  name: 'velto-local',
  hooks: {
    'astro:config:setup': ({ command, updateConfig }) => {
      // Mantine bundled into the built server halves the time to the first page; in dev it would be slower.
      // libsql stays external by default: it loads its native part from node_modules.
      if (command === 'build') updateConfig({ vite: { ssr: { noExternal: [/^@mantine\//] } } });
    },
    // `astro dev` gives the application no start hook: open and migrate before the first request.
    'astro:server:setup': async ({ server }) => {
      const { openForDevelopment } = await server.ssrLoadModule('/src/server/development.ts');
      await openForDevelopment();
    },
  },
};

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), local],
  devToolbar: { enabled: false },
  // The framework's own check compares with an address baked in at build; src/server/http.ts has ours.
  security: { checkOrigin: false },
  vite: {
    // tsconfig "paths" reach pages and islands but not worker bundles; resolve.alias reaches both.
    resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
    worker: { format: 'es' },
  },
});
