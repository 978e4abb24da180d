// @ts-check
import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import { defineConfig, globalIgnores } from 'eslint/config';
import globals from 'globals';
import ts from 'typescript-eslint';

const FOLDERS = [
  'core',
  'words',
  'contract',
  'data',
  'service',
  'api',
  'server',
  'pages',
  'islands',
  'drawing',
  'workers',
  'devices',
  'ui',
  'demo',
];

/** Areas of the interface: none reaches into another; what two of them need is in `shared`. */
const AREAS = [
  'card',
  'exchange',
  'fitting',
  'fittings',
  'measuring',
  'people',
  'places',
  'practice',
  'seats',
  'sign-in',
];

/** @param {string} area */
const withoutOtherAreas = (area) =>
  /** @type {import('eslint').Linter.Config} */ ({
    files: [`src/islands/${area}/**/*.{ts,tsx}`],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: AREAS.filter((other) => other !== area).map((other) => ({
            regex: `^(?:\\.\\./)+${other}/`,
            message: 'What two areas need is in islands/shared.',
          })),
        },
      ],
    },
  });

/** Who may import whom: inward only. */
const MAY_IMPORT = {
  core: ['core'],
  words: ['core', 'words'],
  contract: ['core', 'contract'],
  data: ['core', 'contract', 'data'],
  service: ['core', 'words', 'contract', 'data', 'service'],
  api: ['core', 'words', 'contract', 'service', 'drawing', 'api'],
  demo: ['core', 'data', 'service', 'demo'],
  server: ['core', 'words', 'contract', 'data', 'service', 'api', 'demo', 'server'],
  drawing: ['core', 'words', 'drawing'],
  workers: ['core', 'contract', 'workers'],
  devices: ['core', 'devices'],
  ui: ['core', 'words', 'contract', 'ui'],
  islands: ['core', 'words', 'contract', 'drawing', 'workers', 'devices', 'ui', 'islands'],
  pages: ['core', 'words', 'contract', 'service', 'server', 'islands', 'ui'],
};

export default defineConfig(
  globalIgnores([
    'dist/',
    'src/words/compiled/',
    '.astro/',
    'coverage/',
    'test-output/',
    'drizzle/',
    'var/',
    'test/stranger/',
  ]),
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      'max-lines': ['error', { max: 500, skipBlankLines: false }],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/ui/client.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.property.name=/^replace/] > Literal[value=/^\\{\\w+\\}$/]',
          message: 'Values go into sentences by sayWith.',
        },
      ],
    },
  },
  {
    files: ['src/{islands,drawing,ui}/**/*.{ts,tsx}'],
    extends: [reactHooks.configs.flat['recommended-latest']],
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': FOLDERS.map((type) => ({ type, pattern: `src/${type}` })),
      'import/resolver': { typescript: { project: './tsconfig.json' } },
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            ...Object.entries(MAY_IMPORT).map(([from, to]) => ({
              from: { element: { type: from } },
              allow: { to: { element: { types: { anyOf: to } } } },
            })),
            // The client is typed by the table of operations, and has nothing of it in its bundle.
            {
              from: { element: { type: 'ui' } },
              allow: { to: { element: { type: 'api' } }, dependency: { kind: 'type' } },
            },
          ],
        },
      ],
    },
  },
  ...['shared', ...AREAS].map(withoutOtherAreas),
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 20],
      '@typescript-eslint/max-params': ['error', { max: 4 }],
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'no-restricted-imports': [
        'error',
        { patterns: ['node:*', 'react', 'react-dom', '@mantine/*', 'drizzle-orm', 'astro*'] },
      ],
    },
  },
  astro.configs['flat/recommended'],
  {
    files: ['**/*.{mjs,cjs}', 'scripts/**', 'test/**', 'bench/**'],
    languageOptions: { globals: globals.node },
  },
  {
    files: ['test/**'],
    languageOptions: { globals: globals.mocha },
    rules: { '@typescript-eslint/no-unused-expressions': 'off' },
  },
);
