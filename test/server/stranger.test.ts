/** A client made by a generator from nothing but the description does the main job. */
import { copyFileSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect } from 'chai';
import openapiTS, { astToString } from 'openapi-typescript';
import ts from 'typescript';
import { v7 } from 'uuid';
import type { CardJson, FittingDetail, SavedDraft, SitterDetail } from '../../src/contract';
import { startApp, type App } from '../support/app';
/** What the job hands back, as far as it is looked at here. */
interface Done {
  readonly sitter: SitterDetail;
  readonly solved: FittingDetail;
  readonly saved: SavedDraft;
  readonly card: CardJson;
  readonly pages: number;
  readonly pdf: string;
}
type Job = (base: string, passphrase: string, newId: () => string) => Promise<Done>;

const PASSPHRASE = 'grey seals at noon';
const FOLDER = join('test-output', 'stranger');

/** What the compiler has against a file, in its strictest form. */
function compilerSays(file: string): string[] {
  const program = ts.createProgram([file], {
    strict: true,
    exactOptionalPropertyTypes: true,
    noUncheckedIndexedAccess: true,
    noEmit: true,
    skipLibCheck: true,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    target: ts.ScriptTarget.ES2022,
    lib: ['lib.es2023.d.ts', 'lib.dom.d.ts', 'lib.dom.iterable.d.ts'],
    types: [],
  });
  return ts
    .getPreEmitDiagnostics(program)
    .map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, '\n'));
}

describe('a stranger’s generated client', function () {
  this.timeout(120_000);
  let app: App;
  before(async () => {
    app = await startApp({
      args: ['--host', '0.0.0.0'],
      env: { VELTO_PASSPHRASE: PASSPHRASE, VELTO_CHECK_ANSWERS: '1' },
    });
  });
  after(() => app.stop());

  it('type-checks, signs in, measures, solves, signs off and prints', async () => {
    mkdirSync(FOLDER, { recursive: true });
    const description = await (await fetch(`${app.base}/api/v1/openapi.json`)).text();
    const types = await openapiTS(description);
    writeFileSync(join(FOLDER, 'paths.ts'), astToString(types));
    const job = join(FOLDER, 'job.ts');
    copyFileSync('test/stranger/job.ts', job);
    expect(compilerSays(job)).to.deep.equal([]);
    const { doTheMainJob } = (await import(pathToFileURL(job).href)) as { doTheMainJob: Job };
    const done = await doTheMainJob(app.base, PASSPHRASE, v7);
    expect(done.sitter.body.poplitealHeight).to.deep.include({ value: 440, takenBy: 'Orla Fenn' });
    expect(done.solved.draft?.settings.positions.seatHeight).to.be.a('number');
    expect(done.saved.held).to.deep.equal(['seatHeight']);
    expect(done.saved.settings.positions.seatHeight).to.equal(
      done.solved.draft!.settings.positions.seatHeight! + 1,
    );
    const height = done.card.settings.find((s) => s.adjustment === 'seatHeight')!;
    expect(height.position).to.equal(done.saved.settings.positions.seatHeight);
    expect(height.setting).to.contain('cm');
    expect(done.card.header).to.include({ sitter: 'Sten Karr', fitter: 'Orla Fenn' });
    expect(done.pages).to.be.greaterThan(1);
    expect(done.pdf.slice(0, 5)).to.equal('%PDF-');
  });
});
