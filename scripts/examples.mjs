// Writes the answers that the API's description gives as examples, from the demo records and a clock that stands still.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { pathToFileURL } from 'node:url';
import { createClient } from '@libsql/client';
import { format, resolveConfig } from 'prettier';
import { ROOT, buildIfStale, checkNode } from './machine.mjs';

checkNode();
buildIfStale();
const OUTFILE = join(ROOT, 'src/api/answer-examples.json');
const REMAINS = '/fittings/{id}/remains';
const IMPORT_ID = '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a0f';

const data = mkdtempSync(join(tmpdir(), 'velto-examples-'));
let server;
let base;

/** Starts the program anew, at another time of day. */
async function startAt(now) {
  await stop();
  server = spawn(process.execPath, [join(ROOT, 'dist/serve.mjs'), '--demo', '--port', '0', '--data', data], {
    cwd: ROOT,
    env: { ...process.env, VELTO_NOW: now },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  base = await new Promise((resolve) => {
    createInterface({ input: server.stdout }).on('line', (line) => {
      const at = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(line)?.[1];
      if (at) resolve(`${at}/api/v1`);
    });
  });
}

async function stop() {
  if (!server) return;
  const ended = new Promise((resolve) => server.once('exit', resolve));
  server.kill('SIGTERM');
  await ended;
}

await startAt('2026-11-25T09:30:00Z');

let fitter = null;

async function ask(path, options = {}) {
  const headers = { ...options.headers, ...(fitter && { 'velto-fitter': fitter }) };
  const response = await fetch(base + path, { ...options, headers });
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
  return response.json();
}

/** One entry of each list tells what the others are like; coordinates are no such list. */
function shortened(value) {
  if (Array.isArray(value)) {
    const isOfNumbers = value.every((entry) => typeof entry === 'number');
    return (isOfNumbers ? value : value.slice(0, 1)).map(shortened);
  }
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, shortened(inner)]));
}

const answers = {};
const { paths } = await ask('/openapi.json');

/** Asks as the description says, with what it gives as an example of the request. */
async function answer(method, path, { id = '', body } = {}) {
  const operation = paths[path][method];
  const sent = body ?? operation.requestBody?.content['application/json'].example;
  const given = await ask(path.replace('{id}', id), {
    method: method.toUpperCase(),
    headers: { 'if-match': '*', ...(sent && { 'content-type': 'application/json' }) },
    ...(sent && { body: JSON.stringify(sent) }),
  });
  answers[operation.operationId] = shortened(given);
  return given;
}

const isJson = ({ content }) => Object.keys(content)[0].endsWith('/json');
/** Operations that answer with JSON and were not asked yet; this description is no example of itself. */
const readings = () =>
  Object.entries(paths)
    .filter(([path, { get }]) => get && path !== '/openapi.json' && isJson(get.responses[200]))
    .filter(([, { get }]) => !(get.operationId in answers))
    .map(([path]) => path);
/** The random part of a label, which no operation gives away. */
async function labelOf(id) {
  const client = createClient({ url: pathToFileURL(join(data, 'velto.db')).href });
  const { rows } = await client.execute({ sql: 'select token from pieces where id = ?', args: [id] });
  client.close();
  return rows[0].token;
}
/** Stands for what a private link leads by. */
const CARD_TOKEN = 'q1w2e3r4t5y6u7i8o9p0AA';
/** A fitting says most where everything has been chosen. */
const isWhole = (fitting) => fitting.seat && fitting.place && fitting.state === 'open';

try {
  fitter = (await answer('post', '/fitters')).id;
  const table = await answer('post', '/tables');
  const method = await answer('post', '/methods');
  const place = await answer('post', '/places');
  await answer('put', '/imports/{id}/parts', { id: IMPORT_ID });
  await answer('post', '/imports/{id}', { id: IMPORT_ID });
  while ((await answer('get', '/imports/{id}', { id: IMPORT_ID })).waiting > 0);
  await answer('post', '/imports/look');
  await answer('post', '/seats/look');
  const seatImport = '01990000-0000-7000-8000-00000000e5a7';
  await answer('post', '/seat-imports/{id}', { id: seatImport });
  await answer('post', '/seat-imports/{id}/undo', { id: seatImport });
  const listed = {};
  for (const path of ['/fittings', '/seats']) listed[path] = (await answer('get', path)).items;
  const fitting = listed['/fittings'].find(isWhole);
  const other = listed['/fittings'].find((f) => f.sitter && f.sitter.id !== fitting.sitter.id);
  const ids = {
    '/fittings': fitting.id,
    '/sitters': fitting.sitter.id,
    '/seats': listed['/seats'][0].id,
    '/places': place.place.id,
    '/methods': method.method.id,
    '/tables': table.table.id,
    '/fitters': fitter,
  };
  const piece = paths['/tagged-seats'].post.requestBody.content['application/json'].example;
  ids['/tagged-seats'] = (
    await answer('post', '/tagged-seats', { body: { ...piece, seatId: ids['/seats'] } })
  ).id;
  const series = paths['/tagged-seats/series'].post.requestBody.content['application/json'].example;
  await answer('post', '/tagged-seats/series', { body: { ...series, seatId: ids['/seats'] } });
  const faulty = await answer('post', '/tagged-seats/{id}/faults', { id: ids['/tagged-seats'] });
  const fault = { fault: faulty.faultList[0].id, isMended: true };
  await answer('patch', '/tagged-seats/{id}/faults', { id: ids['/tagged-seats'], body: fault });
  await answer('delete', '/tagged-seats/{id}', { id: ids['/tagged-seats'] });
  await answer('post', '/tagged-seats/{id}/restore', { id: ids['/tagged-seats'] });
  await answer('post', '/labels/{id}/faults', { id: await labelOf(ids['/tagged-seats']) });
  await answer('post', '/fittings/{id}/walk', { id: ids['/fittings'] });
  await answer('post', '/fittings/{id}/walk/events', { id: ids['/fittings'] });
  const signed = listed['/fittings'].find((f) => f.state === 'left').id;
  const link = await answer('post', '/fittings/{id}/links', { id: signed });
  // Drawn at random: the same example every time.
  Object.assign(answers.addCardLink, { token: CARD_TOKEN, path: `/c/${CARD_TOKEN}` });
  await answer('get', '/fittings/{id}/links', { id: signed });
  await answer('delete', '/links/{id}', { id: link.id });
  const idFor = (path) => ids[/^\/[a-z-]+/.exec(path)[0]];
  for (const path of readings().filter((p) => p !== REMAINS)) await answer('get', path, { id: idFor(path) });
  await answer('put', '/sitters/{id}/measuring-sessions', { id: ids['/sitters'] });
  const asked = paths['/fit'].post.requestBody.content['application/json'].example;
  await answer('post', '/fit', { body: { ...asked, seat: { id: ids['/seats'] } } });
  await answer('post', '/rank');
  await answer('delete', '/fittings/{id}', { id: ids['/fittings'] });
  await answer('post', '/fittings/{id}/restore', { id: ids['/fittings'] });
  await answer('delete', '/sitters/{id}', { id: other.sitter.id });
  await answer('post', '/session');
  await answer('delete', '/session');
  // By then deleting can no longer be undone.
  await startAt('2026-11-25T09:45:00Z');
  await answer('get', REMAINS, { id: other.id });
  const text = await format(JSON.stringify(answers), { ...(await resolveConfig(OUTFILE)), parser: 'json' });
  writeFileSync(OUTFILE, text);
} finally {
  await stop();
  rmSync(data, { recursive: true, force: true });
}
