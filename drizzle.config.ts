import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'sqlite',
  schema: ['./src/data/schema.ts', './src/data/schema-walks.ts', './src/data/schema-cards.ts'],
  out: './drizzle',
  casing: 'snake_case',
  strict: true,
});
