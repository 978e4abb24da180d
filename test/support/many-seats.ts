/** A practice with many seats: a folder that the application starts over. */
import { SEATS } from '../../src/data/documents/kinds';
import { buildDemo } from '../../src/demo/build';
import { openBench } from './context';

/** @param demo with the demo records beside them */
export async function manySeats({
  seed,
  count,
  demo = false,
}: {
  readonly seed: number;
  readonly count: number;
  readonly demo?: boolean;
}): Promise<string> {
  const { context, folder } = await openBench({ demo });
  const savedAt = context.now().toISOString();
  const { seats } = buildDemo(seed, context.now(), { seats: count });
  await context.store.write(async (q) => {
    for (const { versionId, seat } of seats)
      await SEATS.insert(q, { versionId, number: 1, savedAt, document: seat });
  });
  await context.store.close();
  return folder;
}
