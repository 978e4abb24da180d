/** The text of every page with every demo record, as the server sends it: nothing in it is a key. */
import { readdirSync } from 'node:fs';
import { expect } from 'chai';
import type { NewCardLink } from '../../src/contract';
import { CARDS, COMMON, PAGES, SHEET, WALK } from '../../src/words/en-GB';
import { startApp, type App } from '../support/app';
import { proofCases } from '../support/proof-runs';
import { readRows } from '../support/read-database';

const KEYS = [COMMON, PAGES, SHEET, WALK, CARDS].flatMap((words) => Object.keys(words));
const AREAS = [...new Set(KEYS.map((key) => key.split('.')[0]!))];
/** What a key looks like that nobody worded: it begins as the others do. */
const KEY_LIKE = new RegExp(`(?<![\\w./-])(?:${AREAS.join('|')})\\.[a-z]\\w*(?:\\.\\w+)*(?![\\w-]*/)`, 'g');

const ENTITIES: Readonly<Record<string, string>> = {
  '&amp;': '&',
  '&lt;': '<',
  '&gt;': '>',
  '&quot;': '"',
  '&#39;': "'",
};
/** What somebody reads, and what is read out: text, labels, titles, placeholders. */
function textOf(html: string): string {
  const bare = html.replace(/<(script|style)[\s\S]*?<\/\1>/g, ' ').replace(/\sprops="[^"]*"/g, '');
  const spoken = [...bare.matchAll(/\s(?:aria-label|title|placeholder|alt)="([^"]*)"/g)].map((m) => m[1]!);
  return [bare.replace(/<[^>]*>/g, ' '), ...spoken]
    .join('\n')
    .replace(/&\w+;|&#\d+;/g, (e) => ENTITIES[e] ?? e);
}

describe('the words of every page', function () {
  this.timeout(120_000);
  let app: App;
  before(async () => {
    app = await startApp();
  });
  after(() => app.stop());

  it('are words, with all demo records, in every unit', async () => {
    const ids = async (table: string) =>
      (await readRows(app.folder, `select id from ${table}`)).map((r) => String(r.id));
    const fittings = await ids('fittings');
    const seats = await ids('seat_versions');
    const [signed] = await readRows(app.folder, "select id from fittings where state = 'left'");
    const link = `${app.base}/api/v1/fittings/${String(signed?.id)}/links`;
    const linked = (await (await fetch(link, { method: 'POST' })).json()) as NewCardLink;
    const addresses: Readonly<Record<string, readonly string[]>> = {
      '/fittings/[id]': fittings.flatMap((id) =>
        ['measure', 'choose', 'set', 'card'].map((s) => `/fittings/${id}?stage=${s}`),
      ),
      '/fittings/[id]/card': fittings.map(
        (id, i) => `/fittings/${id}/card?form=${['record', 'sitter', 'shared', 'pocket'][i % 4]}`,
      ),
      '/c/[token]': [linked.path],
      '/fittings/[id]/walk': fittings.map((id) => `/fittings/${id}/walk`),
      '/people/[id]': (await ids('sitters')).map((id) => `/people/${id}`),
      '/people/[id]/measure': (await ids('sitters')).map((id) => `/people/${id}/measure`),
      '/practice/methods/[id]': (
        await readRows(app.folder, 'select distinct method_id as id from method_versions')
      ).map((r) => `/practice/methods/${String(r.id)}`),
      '/seats/[id]/edit': seats.slice(-4).map((id) => `/seats/${id}/edit`),
      '/seats/compare': [`/seats/compare?ids=${seats.slice(0, 6).join(',')}`],
      '/seats/new': ['/seats/new', ...seats.slice(0, 2).map((id) => `/seats/new?variantOf=${id}`)],
      '/seats/[id]/controls': seats.map((id) => `/seats/${id}/controls`),
      '/seats/tagged/[id]': (await ids('pieces')).map((id) => `/seats/tagged/${id}`),
      '/t/[token]': (await readRows(app.folder, 'select token from pieces')).map(
        (r) => `/t/${String(r.token)}`,
      ),
      '/seats/[id]': seats.map((id) => `/seats/${id}`),
    };
    const pages = readdirSync('src/pages', { recursive: true })
      .map(String)
      .filter((name) => name.endsWith('.astro'))
      .map((name) => `/${name.replace(/(^|\/)index\.astro$|\.astro$/, '')}`);
    const found: string[] = [];
    let read = 0;
    for (const page of pages) {
      const all = proofCases(addresses[page] ?? (page.includes('[') ? [] : [page]), 2);
      expect(all, `no addresses for ${page}`).to.be.an('array').that.is.not.empty;
      for (const address of all) {
        const units = ['mm', 'cm', 'in'][read % 3]!;
        const response = await fetch(app.base + address, {
          headers: { cookie: `velto-units=${units}` },
          redirect: 'manual',
        });
        const text = textOf(await response.text());
        if (response.status !== 404) expect(text.length, address).to.be.greaterThan(100);
        for (const [key] of text.matchAll(KEY_LIKE)) found.push(`${address}: ${key}`);
        for (const hole of text.match(/\{\w+\}|\bundefined\b|\bNaN\b|\[object/g) ?? [])
          found.push(`${address}: ${hole}`);
        read++;
      }
    }
    expect(found).to.deep.equal([]);
    expect(read).to.be.greaterThan(60);
  });

  it('would be found out', () => {
    const page = textOf(
      '<p title="kind.seatHeight">up = more.seatHeight</p><script>word("a.b")</script><td>12.5 mm</td>',
    );
    expect(page.match(KEY_LIKE)).to.deep.equal(['more.seatHeight', 'kind.seatHeight']);
  });
});
