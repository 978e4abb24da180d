import { certaintyFigures } from './bench/certainty';
for (const f of certaintyFigures(new Date('2026-11-25'))) console.log(JSON.stringify(f));
