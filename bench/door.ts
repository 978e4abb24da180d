/** What the door and the lists cost: hostile requests, signing in behind guesses, long lists, everybody as a file. */
import { mkdtempSync, rmSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { createClient } from '@libsql/client';
import { methodOf, pathOf } from '../src/api/route';
import { ROUTES } from '../src/api/table';
import { startApp, type App } from '../test/support/app';
import { fileUrl } from '../test/support/context';
import { sendHostile } from '../test/support/hostile';
import { readRows } from '../test/support/read-database';
import { figureOf, type Figure } from './figure';

const PASSPHRASE = 'grey seals at noon';
const HOSTILE = 100_000;
const SITTERS = 20_000;
const FITTINGS = 2_000;
const GUESSES = 40;
const SIGN_INS = 16;
/** So much later each honest sign-in follows its guesses, ms. */
const LATER_MS = 25;
const LISTED = 20;
const OTHERS_EVERY_MS = 5;

/** Twenty thousand made-up people, each with a full set of readings, and two thousand fittings, written at once. */
async function fill(folder: string): Promise<void> {
  const client = createClient({ url: fileUrl(folder) });
  const at = "'2026-11-25T09:30:00.000Z'";
  const count = `with recursive n(i) as (select 1 union all select i + 1 from n where i < ${SITTERS})`;
  const id = (kind: string, i = 'i') => `printf('0${kind}000000-0000-7000-8000-%012d', ${i})`;
  await client.batch(
    [
      `${count} insert into sitters (id, name, folded, version, created_at, updated_at)
       select ${id('a')}, 'Crew H' || (i % 97) || ' Holm ' || i, 'crew h' || (i % 97) || ' holm ' || i, 1, ${at}, ${at} from n`,
      `${count}, d(dimension, value) as (select json_extract(value, '$[0]'), json_extract(value, '$[1]') from json_each('[["stature",17400],["bodyMass",7500],["poplitealHeight",4400],["buttockPoplitealLength",4950],["hipBreadthSitting",3600],["elbowHeightSitting",2450],["shoeHeel",250],["thighClearance",1600],["kneeHeight",5450],["shoulderHeightSitting",5950],["eyeHeightSitting",7900],["sittingHeight",9100]]'))
       insert into readings (id, sitter_id, dimension, value, basis, spread, source, taken_at)
       select ${id('b')} || dimension, ${id('a')}, dimension, value, 'measured', 25, 'single reading', ${at} from n, d`,
      `${count} insert into fittings (id, sitter_id, method_version_id, tools, date, state, version, created_at, updated_at)
       select ${id('c')}, ${id('a')}, (select id from method_versions limit 1), 0, date('2026-11-25', '-' || (i % 700) || ' days'), 'open', 1, ${at}, ${at} from n where i <= ${FITTINGS}`,
    ],
    'write',
  );
  client.close();
}

async function timed(times: number, act: () => Promise<unknown>): Promise<number[]> {
  const all: number[] = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await act();
    all.push(performance.now() - start);
  }
  return all;
}

const read = async (url: string): Promise<string> => {
  const response = await fetch(url);
  const text = await response.text();
  if (!response.ok) throw new Error(`${url}: ${response.status}`);
  return text;
};

async function lists(app: App): Promise<Figure[]> {
  const figures: Figure[] = [];
  const listed = ROUTES.filter(
    (r) => methodOf(r) === 'GET' && !pathOf(r).includes('{') && r.operationId.startsWith('list'),
  );
  for (const path of [
    ...listed.map(pathOf),
    '/sitters?search=holm%20h7',
    '/sitters?search=zz',
    '/fittings?state=open',
  ]) {
    await read(`${app.base}/api/v1${path}`);
    figures.push(figureOf(`list${path}`, await timed(LISTED, () => read(`${app.base}/api/v1${path}`))));
  }
  return figures;
}

/** How long others wait while somebody takes everybody out. */
async function whileExporting(app: App, path: string): Promise<Figure> {
  const waits: number[] = [];
  let isOn = true;
  const others = (async () => {
    while (isOn) {
      const start = performance.now();
      await read(`${app.base}/api/v1/sitters?search=holm%20h7`);
      waits.push(performance.now() - start);
      await new Promise((after) => setTimeout(after, OTHERS_EVERY_MS));
    }
  })();
  const start = performance.now();
  const { length } = await read(`${app.base}/api/v1${path}`);
  const tookMs = Math.round(performance.now() - start);
  isOn = false;
  await others;
  const longestMs = Math.round(Math.max(...waits));
  return figureOf(`others while${path}`, waits, {
    detail: { longestMs, tookMs, kB: Math.round(length / 1000) },
  });
}

/** One try at the door from an address of this machine. */
function signIn(app: App, passphrase: string, localAddress: string): Promise<number> {
  const body = JSON.stringify({ passphrase });
  return new Promise((resolve, reject) => {
    const sent = request(
      `${app.base}/api/v1/session`,
      {
        method: 'POST',
        localAddress,
        headers: { 'content-type': 'application/json', 'content-length': body.length },
      },
      (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode ?? 0));
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });
}

async function door(): Promise<Figure[]> {
  const app = await startApp({ args: ['--host', '0.0.0.0'], env: { VELTO_PASSPHRASE: PASSPHRASE } });
  try {
    const honest = async (n: number) => {
      const status = await signIn(app, PASSPHRASE, `127.0.1.${n}`);
      if (status !== 200) throw new Error(`an honest sign-in was answered ${status}`);
    };
    let n = 0;
    const undisturbed = await timed(SIGN_INS, () => honest(++n));
    const behind: number[] = [];
    for (let round = 0; round < SIGN_INS; round++) {
      // Half of them from one address, half from one each.
      const guesses = Array.from({ length: GUESSES }, (_, i) =>
        signIn(app, 'wrong all along', i % 2 === 0 ? `127.0.2.${round}` : `127.1.${round}.${i + 1}`),
      );
      // While the first of them is being looked at, at another moment each time.
      await new Promise((after) => setTimeout(after, round * LATER_MS));
      behind.push(...(await timed(1, () => honest(++n))));
      await Promise.all(guesses);
    }
    return [
      figureOf('sign-in/undisturbed', undisturbed),
      figureOf('sign-in/behind 40 wrong guesses', behind),
    ];
  } finally {
    await app.stop();
  }
}

async function hostile(): Promise<Figure> {
  const app = await startApp();
  try {
    const fittings = await readRows(app.folder, 'select id, sitter_id from fittings');
    const ids = fittings.flatMap((row) => [String(row.id), String(row.sitter_id)]);
    const start = performance.now();
    const { statuses, faults } = await sendHostile(app.base, ids, HOSTILE, 1_000_003);
    const took = performance.now() - start;
    const intact = await readRows(app.folder, 'PRAGMA integrity_check');
    const orphans = await readRows(app.folder, 'PRAGMA foreign_key_check');
    return figureOf('hostile requests', [(HOSTILE * 1000) / took], {
      unit: 'perSecond',
      detail: {
        sent: HOSTILE,
        faults: faults.length,
        isIntact: Number(intact[0]?.integrity_check === 'ok' && orphans.length === 0),
        ...Object.fromEntries([...statuses].sort((a, b) => a[0] - b[0])),
      },
    });
  } finally {
    await app.stop();
  }
}

/** What is being measured goes to standard error: some of it takes minutes. */
const measuring = (what: string): void => console.error(`Measuring ${what} …`);

export async function doorFigures(): Promise<Figure[]> {
  measuring(`lists of ${SITTERS} sitters and ${FITTINGS} fittings`);
  const folder = mkdtempSync(join(tmpdir(), 'velto-lists-'));
  const first = await startApp({ folder });
  await first.end();
  await fill(folder);
  const app = await startApp({ folder });
  try {
    const listed = await lists(app);
    measuring('what others wait for while everybody is exported');
    const exporting = [await whileExporting(app, '/people.csv'), await whileExporting(app, '/people.json')];
    measuring(`signing in behind ${GUESSES} guesses`);
    const signedIn = await door();
    measuring(`${HOSTILE} hostile requests`);
    return [...listed, ...exporting, ...signedIn, await hostile()];
  } finally {
    await app.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
