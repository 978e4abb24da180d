import { expect } from 'chai';
import { v7 } from 'uuid';
import { CORE_VERSION, NO_REMEDIES, solvePosture } from '../../src/core/fit';
import type { FittingDetail } from '../../src/contract';
import { DEFAULT_READING } from '../../src/words';
import { fittingCardJson } from '../../src/service/card';
import { actOnFitting, createFitting, editFitting, fittingDetail } from '../../src/service/fittings';
import { allSeats } from '../../src/service/seats';
import { createSitter, takeReading } from '../../src/service/sitters';
import { ROUND } from '../support/inputs';
import { openBench, type Bench } from '../support/context';
import { valueOf } from '../support/outcome';

describe('what a fitting keeps', () => {
  let bench: Bench;
  before(async () => {
    bench = await openBench({ demo: true });
  });
  after(() => bench.close());

  async function fittingOn(seatName: string): Promise<FittingDetail> {
    const sitterId = v7();
    valueOf(await createSitter(bench.context, { id: sitterId, name: 'Test Sitter', birthDate: null }));
    for (const [dimension, value] of Object.entries(ROUND))
      valueOf(
        await takeReading(bench.context, sitterId, { dimension: dimension as keyof typeof ROUND, value }),
      );
    const fitting = valueOf(await createFitting(bench.context, { id: v7(), sitterId, fitterId: null }));
    const seat = valueOf(await allSeats(bench.context)).find((s) => s.seat.name.startsWith(seatName))!;
    return valueOf(
      await editFitting(bench.context, fitting.id, fitting.version, { seatVersionId: seat.versionId }),
    );
  }

  it('keeps settings of an earlier calculation as they are, and is calculated as now when solved again', async () => {
    const fitting = await fittingOn('Tidewick');
    const { db } = bench.context.store;
    const solved = valueOf(await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'solve' }));
    const older = { ...solved.inputs, coreVersion: 1 };
    await db.$client.execute({
      sql: 'update fittings set inputs = ? where id = ?',
      args: [JSON.stringify(older), fitting.id],
    });
    const kept = valueOf(await fittingDetail(bench.context, fitting.id));
    expect(kept.inputs?.coreVersion).to.equal(1);
    expect(kept.draft?.settings).to.deep.equal(solved.draft?.settings);
    const again = valueOf(await actOnFitting(bench.context, fitting.id, kept.version, { act: 'solve' }));
    expect(again.inputs?.coreVersion).to.equal(CORE_VERSION);
  });

  it('holds two postures more, each solved by itself and solved anew by solving', async () => {
    const fitting = await fittingOn('Lantern');
    const postures = [
      { name: 'Leaning back to read', leanDeg: 20 },
      { name: 'Close work', task: 'handwork' as const },
    ];
    const kept = valueOf(await editFitting(bench.context, fitting.id, fitting.version, { postures }));
    expect(kept.postures.map(({ name }) => name)).to.deep.equal(['Leaning back to read', 'Close work']);
    const [reading] = kept.postures;
    const alone = solvePosture(kept.inputs!, postures[0]!, NO_REMEDIES);
    expect(reading!.settings).to.deep.equal(alone);
    // 20° in steps of half a degree, held by the lock.
    expect(alone.positions.backAngle).to.equal(40);
    expect(alone.positions.tiltLock).to.equal(1);
    valueOf(
      await takeReading(bench.context, fitting.sitter.id, { dimension: 'poplitealHeight', value: 455 }),
    );
    // A reading leaves settings as they are; solving sets everything anew.
    const read = valueOf(await fittingDetail(bench.context, fitting.id));
    expect(read.postures[0]!.settings).to.deep.equal(alone);
    const after = valueOf(await actOnFitting(bench.context, fitting.id, read.version, { act: 'solve' }));
    expect(after.postures[0]!.settings!.positions.seatHeight).to.be.greaterThan(alone.positions.seatHeight!);
    const card = valueOf(await fittingCardJson(bench.context, fitting.id, DEFAULT_READING));
    expect(card.postures.map((p) => p.name)).to.deep.equal(['Leaning back to read', 'Close work']);
    const back = card.postures[0]!.settings.find((s) => s.adjustment === 'backAngle')!;
    expect(back.setting).to.match(/20°/);
    const none = valueOf(await editFitting(bench.context, fitting.id, after.version, { postures: [] }));
    expect(none.postures).to.deep.equal([]);
  });
});
