import { execFileSync } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { AxePuppeteer } from '@axe-core/puppeteer';
import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import { v7 } from 'uuid';
import type { Sitter, SitterDetail } from '../../src/contract';
import type { Page } from '../../src/contract/paging';
import { startApp } from '../support/app';
import { readRows } from '../support/read-database';
import { screens } from '../support/screens';

const FILES = '/people/files';

describe('files of people', function () {
  this.timeout(180_000);
  const on = screens();
  const folder = mkdtempSync(join(tmpdir(), 'velto-files-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  const get = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${on.app.base}/api/v1${path}`)).json()) as T;
  const named = async (name: string): Promise<string[]> =>
    (await get<Page<Sitter>>(`/sitters?search=${encodeURIComponent(name)}`)).items.map((s) => s.name);
  const counts = () =>
    readRows(
      on.app.folder,
      'select (select count(*) from sitters) s, (select count(*) from readings) r, (select count(*) from imports) i',
    );

  async function choose(name: string, content: string | Uint8Array): Promise<void> {
    const path = join(folder, name);
    writeFileSync(path, content);
    await on.user.goTo(FILES);
    const input = (await on.user.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
  }

  it('are checked before anything is written; what is wrong stands with row and column', async () => {
    const before = await counts();
    await choose('crew.csv', 'name,stature [cm],shoe size\nSiv Tarn,170,39\nOle Rask,17,44\n,180,44\n');
    await on.user.sees('3 rows: 1 ready, 2 with errors.');
    await on.user.sees('1 new, 0 already here.');
    await on.user.sees('shoe size');
    const rows = await on.user.page.$$eval('section[aria-label="What is wrong"] tbody tr', (all) =>
      all.map((row) => [...row.querySelectorAll('td')].map((cell) => cell.innerText)),
    );
    expect(rows.map((row) => row.slice(0, 3))).to.deep.equal([
      ['3', 'stature [cm]', '17'],
      ['4', 'name', ''],
    ]);
    expect(rows[0]![3]).to.equal('Outside 70–240 cm. Check the unit and the column.');
    const { violations } = await new AxePuppeteer(on.user.page).analyze();
    expect(violations.map((v) => v.id)).to.deep.equal([]);
    // All or none comes first: nothing can be taken.
    const isDisabled = async () =>
      (await on.user.find('button', 'Import 1 person')).evaluate((b) => (b as HTMLButtonElement).disabled);
    expect(await isDisabled()).to.equal(true);
    expect(await counts()).to.deep.equal(before);

    await on.user.page.locator('::-p-text(Import the 1 correct row)').click();
    await on.user.press('Import 1 person');
    await on.user.sees('Imported: 1 new person, 0 with new readings, 0 unchanged; 1 reading in all.');
    expect(await named('Siv')).to.deep.equal(['Siv Tarn']);
    expect(await named('Ole Rask')).to.deep.equal([]);
  });

  it('leave who is here as they are, and add readings where that is chosen', async () => {
    const [maren] = (await get<Page<Sitter>>('/sitters?search=maren')).items;
    const of = async () => (await get<SitterDetail>(`/sitters/${maren!.id}`)).body.poplitealHeight;
    const file = 'name,poplitealHeight [mm]\nMAREN TOLVE,410\n';
    await choose('again.csv', file);
    await on.user.sees('0 new, 1 already here.');
    await on.user.press('Import 1 person');
    await on.user.sees('1 unchanged');
    expect((await of())?.value).to.equal(402);
    await choose('again.csv', file);
    await on.user.page.locator('::-p-text(Add the readings from the file)').click();
    await on.user.press('Import 1 person');
    await on.user.sees('1 with new readings');
    expect(await of()).to.deep.include({ value: 410, source: 'again.csv', basis: 'stated' });
  });

  it('are done by the keyboard alone', async () => {
    await choose('keys.csv', 'name,sex\nTorunn Keys,female\nBad One,x\n');
    await on.user.sees('1 new, ');
    const focusOn = async (what: string) => {
      for (let i = 0; i < 40; i++) {
        await on.user.page.keyboard.press('Tab');
        const text = await on.user.page.evaluate(() => {
          const e = document.activeElement as HTMLElement;
          return `${e.innerText}${e.closest('label')?.innerText ?? ''}`;
        });
        if (text.includes(what)) return;
      }
      throw new Error(`no way to “${what}” by Tab`);
    };
    await focusOn('Import nothing until every row is correct');
    await on.user.page.keyboard.press('ArrowDown');
    await focusOn('Import 1 person');
    await on.user.page.keyboard.press('Enter');
    await on.user.sees('Imported: 1 new person');
    expect(await named('Torunn')).to.deep.equal(['Torunn Keys']);
  });

  it('can be cancelled while they are handed over: nothing of them is kept', async () => {
    const before = await counts();
    const rows = Array.from({ length: 3000 }, (_, i) => `Cancelled ${i},${1500 + (i % 300)}`);
    await choose('many.csv', `name,stature [mm]\n${rows.join('\n')}\n`);
    await on.user.sees('3000 new, ');
    await on.user.page.setRequestInterception(true);
    let parts = 0;
    /** What is held up, until it may go: cancelled or not. */
    const held: Promise<unknown>[] = [];
    const slow = (request: import('puppeteer-core').HTTPRequest) => {
      if (request.url().endsWith('/parts') && ++parts > 2)
        held.push(pause(1500).then(() => request.continue().catch(() => undefined)));
      else void request.continue();
    };
    on.user.page.on('request', slow);
    await on.user.press('Import 3,000 people');
    await on.user.sees('Uploading 2 of 3');
    await on.user.press('Cancel');
    await on.user.sees('Cancelled. Nothing was imported.');
    await Promise.all(held);
    // A part that went all the same would be there by now.
    await pause(500);
    on.user.page.off('request', slow);
    await on.user.page.setRequestInterception(false);
    expect(await counts()).to.deep.equal(before);
    expect(await readRows(on.app.folder, 'select * from import_parts')).to.deep.equal([]);
  });

  it('are written to the end though the page is left, and the page tells of it afterwards', async () => {
    const rows = Array.from({ length: 4000 }, (_, i) => `Leaving ${i},${1500 + (i % 300)}`);
    await choose('leaving.csv', `name,stature [mm]\n${rows.join('\n')}\n`);
    await on.user.sees('4000 new, ');
    await on.user.press('Import 4,000 people');
    await on.user.sees('parts. You can leave this page.');
    await on.user.reload();
    await on.user.sees('Imported: 4,000 new people');
    expect(
      await readRows(on.app.folder, "select count(*) n from sitters where name like 'Leaving %'"),
    ).to.deep.equal([{ n: 4000 }]);
  });

  it('can be undone as a whole afterwards, but for whom something has been done with since', async () => {
    const { user } = on;
    const rows = Array.from({ length: 600 }, (_, i) => `Mistaken ${i},${1500 + (i % 300)}`);
    await choose('mistake.csv', `name,stature [mm]\n${rows.join('\n')}\n`);
    await user.sees('600 new, ');
    await user.press('Import 600 people');
    await user.sees('Imported: 600 new people');
    const here = async () =>
      (await readRows(on.app.folder, "select count(*) n from sitters where name like 'Mistaken %'"))[0]!.n;
    // The page may have been left since.
    await user.goTo(FILES);
    await user.press('Undo import of “mistake.csv”');
    await user.sees('The 600 people imported from “mistake.csv” will be deleted permanently');
    const { violations } = await new AxePuppeteer(user.page).analyze();
    expect(violations.map((v) => v.id)).to.deep.equal([]);
    await user.press('Cancel');
    await user.seesNoMore('will be deleted permanently');
    expect(await user.page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).to.equal(
      'Undo import of “mistake.csv”',
    );
    expect(await here()).to.equal(600);

    await user.press('Undo import of “mistake.csv”');
    await user.press('Delete permanently');
    await user.sees('Not undone: Select a fitter first: only a named fitter may delete');
    expect(await here()).to.equal(600);

    await user.choose('Fitter', 'Rowan Aldous');
    const [one] = (await get<Page<Sitter>>('/sitters?search=mistaken%207')).items;
    const measured = await fetch(`${on.app.base}/api/v1/sitters/${one!.id}/readings`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ dimension: 'kneeHeight', value: 520 }),
    });
    expect(measured.status).to.equal(200);
    // Cut off, nobody knows whether it has begun: the page finds out when it is there again.
    await user.press('Undo import of “mistake.csv”');
    await user.page.setOfflineMode(true);
    await user.press('Delete permanently');
    await user.sees('The connection was lost. Reload this page to see whether the import has started.');
    await user.page.setOfflineMode(false);
    await user.reload();
    await user.sees('Imported: 600 new people');
    await user.press('Undo import of “mistake.csv”');
    await user.press('Delete permanently');
    await user.sees(
      'Undone: 599 people deleted permanently. 1 person stays because they have been edited, measured or fitted since.',
    );
    expect(await here()).to.equal(1);
    await user.sees('Undone: 599 deleted');
    expect(await user.count('button', 'Undo import of “mistake.csv”')).to.equal(0);
  });

  it('come in whole though the server is killed in the middle', async () => {
    const own = await startApp();
    const id = v7();
    const headers = { 'content-type': 'application/json' };
    for (const number of [0, 1, 2, 3]) {
      const people = Array.from({ length: 300 }, (_, i) => ({
        name: `Killed ${number} ${i}`,
        readings: [{ dimension: 'stature', value: 1700, unit: 'mm' }],
      }));
      const sent = await fetch(`${own.base}/api/v1/imports/${id}/parts`, {
        method: 'PUT',
        headers,
        body: JSON.stringify({ file: 'f', number, people }),
      });
      expect(sent.status).to.equal(200);
    }
    const begun = await fetch(`${own.base}/api/v1/imports/${id}`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ parts: 4, existing: 'leave' }),
    });
    expect(begun.status).to.equal(200);
    await own.kill();
    const again = await startApp({ folder: own.folder });
    try {
      let state = '';
      for (let i = 0; i < 100 && state !== 'done'; i++) {
        state = ((await (await fetch(`${again.base}/api/v1/imports/${id}`)).json()) as { state: string })
          .state;
        await new Promise((after) => setTimeout(after, 50));
      }
      expect(state).to.equal('done');
      const [row] = await readRows(
        again.folder,
        "select count(*) n, count(distinct name) names from sitters where name like 'Killed %'",
      );
      expect(row).to.deep.equal({ n: 1200, names: 1200 });
    } finally {
      await again.stop();
    }
  });

  describe('that are none, or mean harm', () => {
    const hostile: readonly [string, string | Uint8Array, string][] = [
      ['latin1.csv', new Uint8Array(Buffer.from('name\nZoé\n', 'latin1')), 'not UTF-8 text'],
      ['picture.csv', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0xd, 0xa, 0x1a, 0xa, 0, 0]), 'not UTF-8 text'],
      ['nul.csv', 'name\nA\u0000B\n', 'not UTF-8 text'],
      ['quotes.csv', 'name\nA\n"B\nC\n', 'A quotation mark is missing'],
      ['page.csv', '<script>window.harm = 1</script>\n', 'The column “name” is missing'],
      [
        'formulas.csv',
        'name,measured on,measured by\n"=HYPERLINK(""http://x"")",2026-01-01,@SUM(A1)\n',
        'A spreadsheet would treat this as a formula',
      ],
      ['empty.csv', '', 'The file has no people'],
      ['broken.json', '{"format":"velto-people",', 'is not valid JSON'],
      ['deep.json', `${'['.repeat(100_000)}${']'.repeat(100_000)}`, 'does not contain people'],
      ['other.json', '{"format":"velto-card","people":[]}', 'does not contain people'],
      [
        'later.json',
        '{"format":"velto-people","version":9,"people":[]}',
        'version of this file is not supported',
      ],
    ];
    for (const [name, content, answer] of hostile)
      it(`${name} gets a clear answer and changes nothing`, async () => {
        const before = await counts();
        await choose(name, content);
        await on.user.sees(answer);
        await on.user.sees('The file has nobody to import.');
        expect(await counts()).to.deep.equal(before);
        expect(await on.user.page.evaluate(() => (window as unknown as { harm?: number }).harm)).to.equal(
          undefined,
        );
      });

    it('100 MB are refused without being opened', async () => {
      const path = join(folder, 'large.csv');
      writeFileSync(path, 'name\n');
      truncateSync(path, 100_000_000);
      await on.user.goTo(FILES);
      const input = (await on.user.page.waitForSelector(
        'input[type=file]',
      )) as ElementHandle<HTMLInputElement>;
      await on.user.page.evaluate(() => {
        const opened: string[] = [];
        Object.assign(window, { opened });
        for (const way of ['arrayBuffer', 'text', 'stream', 'slice'] as const)
          Object.assign(Blob.prototype, {
            [way]: () => {
              opened.push(way);
              throw new Error('opened');
            },
          });
      });
      await input.uploadFile(path);
      await on.user.sees('The file is larger than 20000000 bytes');
      const opened = await on.user.page.evaluate(() => (window as unknown as { opened: string[] }).opened);
      expect(opened).to.deep.equal([]);
      rmSync(path);
    });

    it('names that are programs are names', async () => {
      await choose('script.csv', 'name\n<img src=x onerror=window.harm=1>\n');
      await on.user.sees('1 new, ');
      await on.user.press('Import 1 person');
      await on.user.sees('Imported: 1 new');
      await on.user.goTo('/people');
      await on.user.page.type('input[type=search]', 'onerror');
      await on.user.sees('<img src=x onerror=window.harm=1>');
      expect(await on.user.page.evaluate(() => (window as unknown as { harm?: number }).harm)).to.equal(
        undefined,
      );
    });
  });

  it('are taken out as CSV and JSON from the page, and the empty file has the head', async () => {
    await on.user.goTo(FILES);
    const links = await on.user.page.$$eval('a[download]', (all) => all.map((a) => a.href));
    expect(links.filter((l) => l.startsWith('data:text/csv'))).to.have.length(1);
    expect(decodeURIComponent(links.find((l) => l.startsWith('data:'))!)).to.include(
      'name,nickname,birth date',
    );
    const csv = await fetch(links.find((l) => l.endsWith('people.csv'))!);
    expect(csv.headers.get('content-disposition')).to.match(
      /^attachment; filename="people-\d{4}-\d\d-\d\d\.csv"$/,
    );
    expect((await csv.text()).split('\r\n').length).to.be.greaterThan(4000);
    const json = (await (await fetch(links.find((l) => l.endsWith('people.json'))!)).json()) as {
      people: unknown[];
    };
    expect(json.people.length).to.be.greaterThan(4000);
  });
});

describe('what is private', function () {
  this.timeout(120_000);
  const on = screens();
  const detail = async (name: string): Promise<SitterDetail> => {
    const found = (await (
      await fetch(`${on.app.base}/api/v1/sitters?search=${encodeURIComponent(name)}`)
    ).json()) as Page<Sitter>;
    return (await (
      await fetch(`${on.app.base}/api/v1/sitters/${found.items[0]!.id}`)
    ).json()) as SitterDetail;
  };

  it('a new sitter may be a nickname, and consents with the date', async () => {
    await on.user.goTo('/people');
    await on.user.type('Name', 'Kittiwake');
    await on.user.tick('This is a nickname');
    await on.user.tick('Consents to storing measurements');
    await on.user.pressAndGo('Add person');
    await on.user.sees('Kittiwake');
    const made = await detail('Kittiwake');
    expect(made.isNickname).to.equal(true);
    expect(made.consentOn).to.match(/^\d{4}-\d\d-\d\d$/);
  });

  it('whoever measures without a consent is told, and notes it with one press', async () => {
    const jory = await detail('Jory');
    expect(jory.consentOn).to.equal(null);
    await on.user.goTo(`/people/${jory.id}/measure`);
    await on.user.sees('No consent to storing measurements is recorded.');
    await on.user.press('Consents to storing measurements');
    await on.user.seesNoMore('No consent to storing measurements is recorded.');
    expect((await detail('Jory')).consentOn).to.match(/^\d{4}-\d\d-\d\d$/);
  });

  it('a consent has its date and who gave it, and is withdrawn by emptying the date', async () => {
    const wren = await detail('Wren');
    await on.user.goTo(`/people/${wren.id}`);
    expect(await on.user.valueOf('Consent given by')).to.equal('Aske Ostley, father');
    await on.user.type('Consent given by', 'Elin Ostley, mother');
    await on.user.press('Save');
    await on.user.page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLButtonElement>('button[type=submit]')].some(
        (b) => b.innerText === 'Save' && b.disabled,
      ),
    );
    expect((await detail('Wren')).consentBy).to.equal('Elin Ostley, mother');
  });

  it('everything about one person is handed out, and what goes and what remains is said before', async () => {
    const odd = await detail('Quillsay');
    await on.user.goTo(`/people/${odd.id}`);
    await on.user.sees('17 readings, 2 measuring sessions, 1 fitting.');
    await on.user.sees('Fittings keep the seat, workstation, date and settings without the name');
    const href = await on.user.page.$eval('section[aria-label="Stored data"] a', (a) => a.href);
    const response = await fetch(href);
    expect(response.headers.get('content-disposition')).to.match(/^attachment; /);
    const file = (await response.json()) as {
      people: [{ name: string; readings: unknown[]; fittings: unknown[] }];
    };
    expect(file.people[0].name).to.equal('Odd Quillsay');
    expect(file.people[0].readings).to.have.length(17);
    expect(file.people[0].fittings).to.have.length(1);
  });

  it('sheets to measure by are printed empty and with readings, on one page', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'velto-sheets-'));
    const odd = await detail('Quillsay');
    const read = async (path: string, cookie = '') => {
      const response = await fetch(`${on.app.base}${path}`, { headers: { cookie } });
      expect(response.status, path).to.equal(200);
      const file = join(folder, 'sheet.pdf');
      writeFileSync(file, new Uint8Array(await response.arrayBuffer()));
      expect(readFileSync(file).subarray(0, 5).toString()).to.equal('%PDF-');
      const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
      expect(info).to.match(/Pages:\s+1\n/);
      return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
    };
    await on.user.goTo(`/people/${odd.id}`);
    const links = await on.user.page.$$eval('a[target=_blank]', (all) =>
      all.map((a) => a.getAttribute('href')!),
    );
    expect(links).to.have.length(3);
    const [quick, full, filled] = [await read(links[0]!), await read(links[1]!), await read(links[2]!)];
    for (const text of [quick, full, filled]) {
      expect(text).to.include('Measuring sheet');
      expect(text.replace(/\s+/g, ' ')).to.include('Any yes: stop and refer.');
      expect(text).to.include('Odd Quillsay');
      expect(text).to.include('Popliteal height');
      expect(text).to.include('not a medical device');
    }
    expect(quick).not.to.include('Nape height');
    expect(full).to.include('Nape height');
    expect(full).not.to.match(/\b1701\b/);
    // Both readings and what they come to.
    expect(filled).to.match(/1701\s.*1703\s.*1702/s);
    expect(filled).to.include('Hedda Kvist');
    expect(await read('/api/v1/measuring-sheet.pdf?paper=Letter&set=full')).not.to.include('Quillsay');
    expect(await read('/api/v1/measuring-sheet.pdf?units=in')).to.match(/\bin\b/);
    expect((await fetch(`${on.app.base}/api/v1/measuring-sheet.pdf?paper=A0`)).status).to.equal(422);
    expect((await fetch(`${on.app.base}/api/v1/measuring-sheet.pdf?set=all`)).status).to.equal(422);
    rmSync(folder, { recursive: true, force: true });
  });
});
