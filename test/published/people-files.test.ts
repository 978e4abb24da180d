/** Files of people against published formats, read by general libraries that know nothing of this program. */
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { expect } from 'chai';
import { valueOf } from '../support/outcome';
import type { Outcome } from '../../src/contract';
import { parse } from 'csv-parse/sync';
import {
  PEOPLE_HEAD,
  peopleCsvHead,
  peopleCsvRow,
  readPeopleCsv,
  type CsvPerson,
} from '../../src/core/exchange';
import { peopleJsonSchema } from '../../src/contract/people-file';
import { everythingAbout, peopleCsv, peopleJson } from '../../src/service/exchange';
import { type Bench, found, openBench } from '../support/context';

const whole = async (parts: Promise<Outcome<AsyncGenerator<string>>>): Promise<string> => {
  let text = '';
  for await (const part of valueOf(await parts)) text += part;
  return text;
};

const PERSON: CsvPerson = {
  id: '0190a8e0-0000-7000-8000-000000000001',
  name: 'Runa Holm',
  isNickname: false,
  birthDate: null,
  sex: null,
  consentOn: null,
  consentBy: null,
  measuredOn: null,
  measuredBy: null,
  values: {},
};

describe('files of people beside published formats', () => {
  let bench: Bench;
  before(async () => {
    bench = await openBench({ demo: true });
  });
  after(() => bench.close());

  // JSON Schema 2020-12 (json-schema.org), by the reference library Ajv in its strict mode.
  describe('JSON Schema 2020-12', () => {
    const ajv = new Ajv2020({ allErrors: true, strict: true });
    (addFormats as unknown as (a: Ajv2020) => void)(ajv);
    const validate = ajv.compile(peopleJsonSchema());

    it('holds for everybody taken out, and for everything about one person', async () => {
      const everybody = JSON.parse(await whole(peopleJson(bench.context))) as { people: unknown[] };
      expect(everybody.people).to.have.length(8);
      expect(validate(everybody), JSON.stringify(validate.errors)).to.equal(true);
      const [one] = await found(bench.context, 'Wren');
      const about = await everythingAbout(bench.context, one!.id);
      expect(validate(JSON.parse(about.ok ? about.value : '')), JSON.stringify(validate.errors)).to.equal(
        true,
      );
    });

    it('does not hold for what has another form', async () => {
      const text = await whole(peopleJson(bench.context));
      const spoilt = (change: (person: Record<string, unknown>) => void): boolean => {
        const file = JSON.parse(text) as { people: Record<string, unknown>[] };
        change(file.people[0]!);
        return validate(file);
      };
      expect(spoilt(() => undefined)).to.equal(true);
      expect(spoilt((p) => (p.name = 1))).to.equal(false);
      expect(spoilt((p) => delete p.readings)).to.equal(false);
      expect(spoilt((p) => (p.birthDate = '2025-02-29'))).to.equal(false);
      expect(spoilt((p) => (p.id = '17'))).to.equal(false);
      expect(spoilt((p) => (p.colour = 'red'))).to.equal(false);
      expect(spoilt((p) => ((p.readings as { unit: string }[])[0]!.unit = 'in'))).to.equal(false);
      expect(validate({ format: 'velto-people', version: 2, people: [] })).to.equal(false);
    });
  });

  // RFC 4180, by csv-parse, whose default is its strict form: the same number of fields in every record.
  describe('RFC 4180', () => {
    it('holds for everybody taken out: a head, records of as many fields, ended by CR LF', async () => {
      const text = await whole(peopleCsv(bench.context));
      expect(text.startsWith('\uFEFF')).to.equal(true);
      expect(text.match(/(?<!\r)\n/g)).to.equal(null);
      const rows = parse(text, { bom: true, record_delimiter: '\r\n' });
      expect(rows[0]).to.deep.equal(PEOPLE_HEAD);
      expect(rows).to.have.length(9);
      const maren = rows.find((row) => row[1] === 'Maren Tolve')!;
      expect(maren[PEOPLE_HEAD.indexOf('stature [mm]')]).to.equal('1648');
      expect(maren[PEOPLE_HEAD.indexOf('bodyMass [kg]')]).to.equal('68.5');
    });

    it('holds for names with commas, quotation marks and letters of every script', () => {
      for (const name of ['Ann "the Oar", 2nd', '"', ',', "O'Hara; Åsa", '渡 船', 'عبد', '👩‍✈️']) {
        const text = peopleCsvHead() + peopleCsvRow({ ...PERSON, name });
        const [, row] = parse(text, { record_delimiter: '\r\n' });
        expect(row![1]).to.equal(name);
        const ours = [...readPeopleCsv(text, '2026-11-26')].at(-1)!.read!;
        expect(ours.people[0]!.person.name).to.equal(name);
      }
    });
  });

  // OWASP, CSV Injection: cells that begin with = + - @ (or their full-width forms), tab or carriage return; from memory.
  it('no cell begins as a spreadsheet’s formula does', () => {
    for (const start of ['=', '+', '-', '@', '＝', '＋', '－', '＠']) {
      const given = `${start}cmd|' /C calc'!A0`;
      const text =
        peopleCsvHead() +
        peopleCsvRow({
          ...PERSON,
          name: given,
          consentBy: given,
          measuredOn: '2026-01-01',
          measuredBy: given,
        });
      const rows = parse(text, { record_delimiter: '\r\n' });
      for (const cell of rows.flat()) expect(cell, cell).not.to.match(/^[=+\-@\t\r＝＋－＠]/u);
    }
  });
});
