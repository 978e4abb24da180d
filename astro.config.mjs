// @ts-check
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'astro/config';
import node from '@astrojs/node';
import react from '@astrojs/react';
import { STAYS_OUTSIDE } from './scripts/machine.mjs';

/** @type {import('astro').AstroIntegration} */
const local = {
  name: 'velto-local',
  hooks: {
    'astro:config:setup': ({ command, updateConfig }) => {
      // Bundled into the built server, hundreds of files need not be found and read at every start; in dev that
      // would be slower. What loads something of its own at run time stays where it is.
      if (command === 'build')
        updateConfig({ vite: { ssr: { noExternal: true, external: [...STAYS_OUTSIDE] } } });
    },
    // `astro dev` gives the application no start hook: open and migrate before the first request.
    'astro:server:setup': async ({ server }) => {
      const { openForDevelopment } = await server.ssrLoadModule('/src/server/development.ts');
      await openForDevelopment();
    },
  },
};

/** What only pages of seats ask of a seat would else come with every page that knows what a seat is. */
const SEAT_CHECKS = /\/core\/seat\/(validate|gaps|compare|orientation)\.ts$/;
const SEAT_BASICS =
  /\/core\/(message|seat\/(adjustment-kinds|positions|lists|control-lists|seat|sink|numbers|slips))\.ts$/;
/** How controls are worked, wherever a seat is set: in one piece it is smaller than in many. */
const SAID = /\/core\/(seat\/(working|controls)|scene\/(control-words|lifted))\.ts$/;

/** @param {string} id */
const manualChunks = (id) => {
  if (SEAT_CHECKS.test(id)) return 'seat-checks';
  if (SEAT_BASICS.test(id)) return 'seat-basics';
  return SAID.test(id) ? 'said' : undefined;
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
    build: {
      rollupOptions: {
        output: { manualChunks, experimentalMinChunkSize: 1500 },
        // They only say what is wrong: a page that does not ask need not fetch them.
        treeshake: { moduleSideEffects: (id) => !SEAT_CHECKS.test(id) },
      },
    },
  },
});
