/** Every page of the application with demo records: its name, and where it is. */
import type { MethodSummary, NewCardLink } from '../../src/contract';
import type { Page } from '../../src/contract/paging';
import type { App } from './app';
import { readRows } from './read-database';

const OWN_METHOD = '01990000-0000-7000-8000-00000000a11e';

/** Returns the address of every page by its name; a method of one’s own is added for the page that shows one. */
export async function everyPage({ base, folder }: App): Promise<ReadonlyMap<string, string>> {
  const id = async (sql: string) => String((await readRows(folder, sql))[0]?.id);
  const fittingOf = (name: string) =>
    id(`select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = '${name}'`);
  const [maren, ines] = [await fittingOf('Maren Tolve'), await fittingOf('Ines Farrowby')];
  const odd = await fittingOf('Odd Quillsay');
  const link = `${base}/api/v1/fittings/${odd}/links`;
  const linked = (await (await fetch(link, { method: 'POST' })).json()) as NewCardLink;
  const jory = await id("select id from sitters where name = 'Jory Pell'");
  const wren = await id("select id from sitters where name = 'Wren Ostley'");
  const seat = await id(
    "select id from seat_versions where json_extract(document, '$.name') = 'Gullstone task chair'",
  );
  const [{ id: piece, token } = {}] = await readRows(
    folder,
    "select id, token from pieces where tag = 'HC-02'",
  );
  const pair = (await readRows(folder, "select id from catalogue where kind = 'seat' limit 2"))
    .map((row) => String(row.id))
    .join(',');
  const { items } = (await (await fetch(`${base}/api/v1/methods`)).json()) as Page<MethodSummary>;
  await fetch(`${base}/api/v1/methods`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...items.find((m) => m.method.steps)!.method, id: OWN_METHOD, name: 'Ours' }),
  });
  return new Map([
    ['fittings', '/'],
    ['people', '/people'],
    ['a sitter without measures', `/people/${jory}`],
    ['a child', `/people/${wren}`],
    ['files of people', '/people/files'],
    ['seats', '/seats'],
    ['a seat', `/seats/${seat}`],
    ['the controls of a seat', `/seats/${seat}/controls`],
    ['surveying a seat', '/seats/survey'],
    ['adding a seat', '/seats/new'],
    ['comparing seats', `/seats/compare?ids=${pair}`],
    ['files of seats', '/seats/files'],
    ['tagged seats', '/seats/tagged'],
    ['a tagged seat', `/seats/tagged/${String(piece)}`],
    ['a label', `/t/${String(token)}`],
    ['a label that is gone', '/t/AAAAAAAAAAAAAAAAAAAAAA'],
    ['places', '/places'],
    ['tables of bodies', '/practice/tables'],
    ['methods', '/practice/methods'],
    ['fitters', '/practice/fitters'],
    ['a method', '/practice/methods/right-angle-then-open'],
    ['a method of one’s own', `/practice/methods/${OWN_METHOD}`],
    ['measuring one by one', `/people/${jory}/measure`],
    ['measuring', `/fittings/${maren}?stage=measure`],
    ['choosing', `/fittings/${maren}?stage=choose`],
    ['setting', `/fittings/${ines}?stage=set`],
    ['the card stage', `/fittings/${ines}?stage=card`],
    ['a walk', `/fittings/${ines}/walk`],
    ['the card', `/fittings/${ines}/card`],
    ['the card for the sitter', `/fittings/${odd}/card?form=sitter`],
    ['the card of a shared seat', `/fittings/${ines}/card?form=shared`],
    ['the card for the pocket', `/fittings/${ines}/card?form=pocket`],
    ['a linked card', linked.path],
    ['a linked card that is gone', '/c/AAAAAAAAAAAAAAAAAAAAAA'],
    ['a page that is not there', '/nowhere'],
    ['signing in', '/sign-in'],
  ]);
}
