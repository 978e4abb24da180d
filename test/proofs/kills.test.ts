import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { buildSync } from 'esbuild';
import { v7 } from 'uuid';
import { REQUIRE, STAYS_OUTSIDE } from '../../scripts/machine.mjs';
import { valueOf } from '../support/outcome';
import type { SavedDraft } from '../../src/contract';
import { NO_REMEDIES } from '../../src/core/fit';
import { openDatabase } from '../../src/data/client';
import { Store } from '../../src/data/store';
import { loadDemo } from '../../src/demo/load';
import { ensureShippedMethods } from '../../src/service/catalogue';
import { allSeats } from '../../src/service/seats';
import { contextOf } from '../../src/service/context';
import { createFitting, editFitting, saveSettings } from '../../src/service/fittings';
import { createSitter } from '../../src/service/sitters';
import { startApp } from '../support/app';
import { fileUrl } from '../support/context';
import { readRows } from '../support/read-database';

const WRITERS = 4;
const PROCESS = 'node_modules/.cache/velto/saving-process.mjs';
/** Three databases side by side, so that waiting for one process to start costs the others nothing. */
const CHAINS = 3;
const KILLS = 60;
const SERVER_KILLS = 20;
const LONGEST_LIFE_MS = 60;

/** Writers at even places take measures of a sitter, those at odd places set a fitting. */
interface Records {
  readonly folder: string;
  readonly ids: readonly string[];
}

async function makeRecords(): Promise<Records> {
  const folder = mkdtempSync(join(tmpdir(), 'velto-kill-'));
  const context = contextOf(new Store(await openDatabase(fileUrl(folder))));
  await ensureShippedMethods(context);
  await loadDemo(context);
  const [seat] = valueOf(await allSeats(context));
  const ids: string[] = [];
  for (let writer = 0; writer < WRITERS; writer++) {
    const sitterId = v7();
    await createSitter(context, { id: sitterId, name: `Writer ${writer}`, birthDate: null });
    const fittingId = v7();
    const fitting = await createFitting(context, { id: fittingId, sitterId, fitterId: null });
    if (!fitting.ok) throw new Error(fitting.reason);
    const chosen = await editFitting(context, fittingId, fitting.value.version, {
      seatVersionId: seat!.versionId,
    });
    if (!chosen.ok) throw new Error(chosen.reason);
    await saveSettings(context, fittingId, chosen.value.draftRevision, {
      positions: {},
      remedies: NO_REMEDIES,
      held: [],
    });
    ids.push(writer % 2 === 0 ? sitterId : fittingId);
  }
  await context.store.close();
  return { folder, ids };
}

/** Lets the process save for a while and kills it. @returns the last entry acknowledged to each writer */
function saveUntilKilled(
  { folder, ids }: Records,
  mode: 'committed' | 'early',
): Promise<Map<number, number>> {
  const child = spawn(process.execPath, [PROCESS, folder, mode, ...ids], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.on('data', (chunk: Buffer) => {
    if (said === '') setTimeout(() => child.kill('SIGKILL'), Math.random() * LONGEST_LIFE_MS);
    said += chunk.toString();
  });
  return new Promise((resolve, reject) =>
    child.once('close', (code, signal) => {
      if (signal !== 'SIGKILL') return reject(new Error(`the saving process ended by itself with ${code}`));
      const last = new Map<number, number>();
      // A line cut off by the kill was not heard.
      for (const line of said.split('\n').slice(0, -1)) {
        const [writer = 0, n = 0] = line.split(' ').map(Number);
        last.set(writer, n);
      }
      resolve(last);
    }),
  );
}

async function storedEntry({ folder, ids }: Records, writer: number): Promise<number> {
  const [row] =
    writer % 2 === 0
      ? await readRows(
          folder,
          "select value - 2000 as n from readings where sitter_id = ? and dimension = 'kneeHeight' and withdrawn_at is null",
          [ids[writer]!],
        )
      : await readRows(
          folder,
          "select round(json_extract(settings, '$.remedies.footrestMm') * 10) as n from setting_sets where fitting_id = ? and version = 0",
          [ids[writer]!],
        );
  return Number(row?.n ?? 0);
}

async function lossesAfter(records: Records, acknowledged: Map<number, number>): Promise<string[]> {
  const losses: string[] = [];
  for (const [writer, n] of acknowledged) {
    const stored = await storedEntry(records, writer);
    if (stored < n) losses.push(`writer ${writer}: ${n} acknowledged, ${stored} stored`);
  }
  const [integrity] = await readRows(records.folder, 'pragma integrity_check');
  if (integrity?.integrity_check !== 'ok') losses.push(String(integrity?.integrity_check));
  if ((await readRows(records.folder, 'pragma foreign_key_check')).length > 0) losses.push('foreign keys');
  return losses;
}

/** Every measure that was ever acknowledged has its row, those that later ones took the place of as well. */
async function gapsIn({ folder, ids }: Records): Promise<number> {
  let gaps = 0;
  for (const id of ids.filter((_, writer) => writer % 2 === 0)) {
    const [row] = await readRows(
      folder,
      "select max(value) - 2000 - count(distinct value) as gaps from readings where sitter_id = ? and dimension = 'kneeHeight'",
      [id],
    );
    gaps += Number(row?.gaps);
  }
  return gaps;
}

describe('a process that is killed while it saves', function () {
  this.timeout(900_000);
  const made: Records[] = [];
  before(() => {
    buildSync({
      entryPoints: ['test/proofs/saving-process.ts'],
      bundle: true,
      // As the program is: a process that reads its packages one by one is twice as long in coming.
      external: [...STAYS_OUTSIDE],
      banner: { js: REQUIRE },
      platform: 'node',
      format: 'esm',
      target: 'node20',
      outfile: PROCESS,
      logLevel: 'warning',
    });
  });
  after(() => made.forEach(({ folder }) => rmSync(folder, { recursive: true, force: true })));

  const records = async () => {
    const next = await makeRecords();
    made.push(next);
    return next;
  };

  it(`${CHAINS * KILLS} times loses nothing that it acknowledged`, async () => {
    let entries = 0;
    const chain = async () => {
      const mine = await records();
      for (let kill = 0; kill < KILLS; kill++) {
        const acknowledged = await saveUntilKilled(mine, 'committed');
        expect(await lossesAfter(mine, acknowledged), `kill ${kill}`).to.deep.equal([]);
        entries += acknowledged.size;
      }
      expect(await gapsIn(mine)).to.equal(0);
    };
    await Promise.all(Array.from({ length: CHAINS }, chain));
    // Killed before it did anything would prove nothing.
    expect(entries).to.be.greaterThan(CHAINS * KILLS);
  });

  it('is seen to lose entries where it acknowledges before it commits', async () => {
    const mine = await records();
    let losses: string[] = [];
    for (let kill = 0; kill < KILLS && losses.length === 0; kill++)
      losses = await lossesAfter(mine, await saveUntilKilled(mine, 'early'));
    expect(losses).not.to.deep.equal([]);
  });
});

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface Pending {
  readonly key: string;
  readonly revision: number;
  readonly n: number;
}

describe('a server that is killed while four writers save', function () {
  this.timeout(1_200_000);
  let records: Records;
  before(async () => {
    records = await makeRecords();
  });
  after(() => rmSync(records.folder, { recursive: true, force: true }));

  it(`${SERVER_KILLS} times loses nothing, and does what was sent again once`, async () => {
    // All four set here: each its own fitting, the one it has or that of its sitter.
    const rows = await readRows(
      records.folder,
      "select f.id, f.draft_revision as revision from fittings f join sitters s on s.id = f.sitter_id where s.name like 'Writer %' order by s.name",
    );
    const writers = rows.map((row) => ({ id: String(row.id), revision: Number(row.revision), n: 0 }));
    const unanswered = new Map<string, Pending>();
    let acknowledged = 0;
    let repeated = 0;

    const put = async (base: string, id: string, { key, revision, n }: Pending): Promise<SavedDraft> => {
      const response = await fetch(`${base}/api/v1/fittings/${id}/settings`, {
        method: 'PUT',
        headers: {
          'content-type': 'application/json',
          'if-match': `"draft-${revision}"`,
          'idempotency-key': key,
        },
        body: JSON.stringify({ positions: {}, remedies: { footrestMm: n / 10, backCushionMm: 0 } }),
      });
      expect(response.status, await response.clone().text()).to.equal(200);
      return (await response.json()) as SavedDraft;
    };

    for (let kill = 0; kill < SERVER_KILLS; kill++) {
      const app = await startApp({ folder: records.folder });
      let alive = true;
      const save = async (writer: (typeof writers)[number]) => {
        while (alive) {
          const again = unanswered.get(writer.id);
          const entry = again ?? { key: v7(), revision: writer.revision, n: writer.n + 1 };
          unanswered.set(writer.id, entry);
          try {
            const saved = await put(app.base, writer.id, entry);
            // Whether it is the first time or the second: the revision has moved by one.
            expect(saved.revision).to.equal(entry.revision + 1);
            unanswered.delete(writer.id);
            writer.revision = saved.revision;
            writer.n = entry.n;
            acknowledged++;
            if (again) repeated++;
          } catch (error) {
            if (alive || !(error instanceof TypeError)) throw error;
          }
        }
      };
      const saving = Promise.all(writers.map(save));
      const enough = acknowledged + 2 * WRITERS;
      while (acknowledged < enough) await pause(5);
      await pause(Math.random() * LONGEST_LIFE_MS);
      alive = false;
      await app.kill();
      await saving;
      for (const writer of writers) {
        const [row] = await readRows(
          records.folder,
          "select round(json_extract(s.settings, '$.remedies.footrestMm') * 10) as n, f.draft_revision as revision from setting_sets s join fittings f on f.id = s.fitting_id where f.id = ? and s.version = 0",
          [writer.id],
        );
        expect(Number(row?.n)).to.be.at.least(writer.n);
        expect(Number(row?.n)).to.be.at.most(writer.n + 1);
        expect(Number(row?.revision)).to.be.at.most(writer.revision + 1);
      }
      const [integrity] = await readRows(records.folder, 'pragma integrity_check');
      expect(integrity?.integrity_check).to.equal('ok');
    }
    expect(acknowledged).to.be.at.least(SERVER_KILLS * WRITERS * 2);
    expect(repeated).to.be.greaterThan(SERVER_KILLS);
  });
});
