/**
 * A process that saves as fast as it can until it is killed: four writers, two of measures and two of draft settings,
 * each on a record of its own. Every entry is acknowledged by a line `writer number` as soon as the program says that
 * it has it; `early` acknowledges before, as a careless program would.
 */
import { writeSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { openDatabase } from '../../src/data/client';
import { Store } from '../../src/data/store';
import { contextOf } from '../../src/service/context';
import { fittingDetail, saveSettings } from '../../src/service/fittings';
import { sitterDetail, takeReading } from '../../src/service/sitters';

const [folder = '', mode = '', ...ids] = process.argv.slice(2);
const context = contextOf(new Store(await openDatabase(pathToFileURL(join(folder, 'velto.db')).href)));

const acknowledge = (writer: number, n: number) => writeSync(1, `${writer} ${n}\n`);

/** Entry `n` of a writer as a measure: 200 mm and `n` tenths. */
async function measure(writer: number, id: string): Promise<void> {
  const sitter = await sitterDetail(context, id);
  if (!sitter.ok) throw new Error(sitter.reason);
  for (let n = Math.round(((sitter.value.body.kneeHeight?.value ?? 200) - 200) * 10) + 1; ; n++) {
    if (mode === 'early') acknowledge(writer, n);
    const taken = await takeReading(context, id, { dimension: 'kneeHeight', value: 200 + n / 10 });
    if (!taken.ok) throw new Error(taken.reason);
    if (mode !== 'early') acknowledge(writer, n);
  }
}

/** Entry `n` of a writer as a footrest of `n` tenths of a millimetre. */
async function set(writer: number, id: string): Promise<void> {
  const fitting = await fittingDetail(context, id);
  if (!fitting.ok) throw new Error(fitting.reason);
  let revision = fitting.value.draftRevision;
  const stored = fitting.value.draft?.settings.remedies.footrestMm ?? 0;
  for (let n = Math.round(stored * 10) + 1; ; n++) {
    if (mode === 'early') acknowledge(writer, n);
    const saved = await saveSettings(context, id, revision, {
      positions: {},
      remedies: { footrestMm: n / 10, backCushionMm: 0 },
      held: [],
    });
    if (!saved.ok) throw new Error(saved.reason);
    revision = saved.value.revision;
    if (mode !== 'early') acknowledge(writer, n);
  }
}

await Promise.all(ids.map((id, writer) => (writer % 2 === 0 ? measure(writer, id) : set(writer, id))));
