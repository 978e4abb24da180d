/**
 * Cases on the command line: one as a file, answered for reading; or one a line on standard input, each answered by a
 * line. The same answers as over HTTP, computed here.
 */
import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';
import { faultsOf, type Outcome } from '../contract';
import { FitRequestSchema, RankRequestSchema } from '../contract/compute';
import { BARE_SHELF, fitCase, rankCase, type Shelf } from '../service/compute';
import { IN_PLACE } from '../service/in-place';
import { sayWith, word } from '../words';
import { WITH_INPUT, sayIssue } from '../words/say-schema';
import '../words/pages';
import '../words/server';

const USAGE = `npm run fit -- case.json            one case from a file
npm run fit -- < cases.jsonl        one case a line, one answer a line
npm run fit -- --data folder …      with seats, places, methods and sitters of that folder by id
A case with "seats" in place of "seat" puts them in order.`;

interface Fault {
  readonly error: string;
  readonly faults?: readonly { readonly pointer: string; readonly detail: string }[];
}

const isRanking = (given: unknown): boolean =>
  typeof given === 'object' && given !== null && 'seats' in given;

/** The answer to one case, or what is wrong with it and where. */
export async function answerCase(shelf: Shelf, text: string): Promise<object | Fault> {
  let given: unknown;
  try {
    given = JSON.parse(text);
  } catch (error) {
    return { error: sayWith('problem.notJson', { detail: error instanceof Error ? error.message : '' }) };
  }
  const asRank = isRanking(given);
  const parsed = asRank
    ? RankRequestSchema.safeParse(given, WITH_INPUT)
    : FitRequestSchema.safeParse(given, WITH_INPUT);
  if (!parsed.success) {
    return { error: word('problem.invalid'), faults: faultsOf(parsed.error, sayIssue) };
  }
  const outcome: Outcome<object> = asRank
    ? await rankCase(shelf, IN_PLACE, parsed.data as never)
    : await fitCase(shelf, IN_PLACE, parsed.data as never);
  if (outcome.ok) return outcome.value;
  return { error: word(`problem.${outcome.reason}`), ...(outcome.faults ? { faults: outcome.faults } : {}) };
}

const isFault = (answer: object): boolean => 'error' in answer;

async function answerLines(shelf: Shelf): Promise<boolean> {
  let isWell = true;
  let number = 0;
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    number++;
    if (line.trim() === '') continue;
    const answer = await answerCase(shelf, line);
    if (isFault(answer)) isWell = false;
    const said = isFault(answer) ? { line: number, ...answer } : answer;
    if (!process.stdout.write(`${JSON.stringify(said)}\n`))
      await new Promise((go) => process.stdout.once('drain', go));
  }
  return isWell;
}

/** Records of a data folder; what opens one is loaded only here. */
async function shelfIn(dataFolder: string): Promise<Shelf> {
  const [{ DATABASE_FILE, openContext }, { shelfOf }] = await Promise.all([
    import('./open'),
    import('../service/shelf'),
  ]);
  const file = join(resolve(dataFolder), DATABASE_FILE);
  if (!existsSync(file)) throw new Error(`there is no ${file}`);
  return shelfOf((await openContext({ dataFolder, demo: false })).context);
}

async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { data: { type: 'string' }, help: { type: 'boolean' } },
  });
  if (values.help || positionals.length > 1) {
    console.log(USAGE);
    return values.help ? 0 : 1;
  }
  const shelf = values.data === undefined ? BARE_SHELF : await shelfIn(values.data);
  const [file] = positionals;
  if (file === undefined || file === '-') return (await answerLines(shelf)) ? 0 : 1;
  const answer = await answerCase(shelf, await readFile(file, 'utf8'));
  console.log(JSON.stringify(answer, null, 2));
  return isFault(answer) ? 1 : 0;
}

main().then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    console.error(`velto: ${error instanceof Error ? error.message : String(error)}`);
    process.exitCode = 1;
  },
);
