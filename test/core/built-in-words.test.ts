/** Built-in methods and tables keep their words in two places: in the document of the record, and in the catalogue. */
import { expect } from 'chai';
import { SHIPPED_METHODS } from '../../src/core/method';
import { TABLES } from '../../src/core/population';
import { sayMethod, sayMethodAbout, sayStep, sayTable } from '../../src/words';
import '../../src/words/about';
import { BUILT_IN_WORDS, METHOD_ABOUTS } from '../../src/words/en-GB/built-in';

describe('the words of what is built in', () => {
  it('are in the catalogue as in the documents, and no others', () => {
    const wanted = Object.fromEntries<string>([
      ...SHIPPED_METHODS.flatMap(({ id, name, summary, steps = [] }) => [
        [`method.${id}`, name] as const,
        [`method.${id}.about`, summary] as const,
        ...steps.flatMap((step, i) => [
          [`method.${id}.step${i + 1}`, step.name] as const,
          [`method.${id}.step${i + 1}.instruct`, step.instruct] as const,
        ]),
      ]),
      ...TABLES.map(({ id, name }) => [`table.${id}`, name] as const),
    ]);
    const straight = (text: string) => text.replaceAll('’', "'");
    expect(
      Object.fromEntries(
        Object.entries({ ...BUILT_IN_WORDS, ...METHOD_ABOUTS }).map(([k, v]) => [k, straight(v)]),
      ),
    ).to.deep.equal(Object.fromEntries(Object.entries(wanted).map(([k, v]) => [k, straight(v)])));
  });

  it('are said by the catalogue, and those of a practice’s own as they were typed', () => {
    const [first] = SHIPPED_METHODS;
    expect(sayMethod({ id: first!.id, name: 'an older name' })).to.equal(first!.name);
    expect(sayMethod({ id: '01990000-0000-7000-8000-00000000a11e', name: 'Ours' })).to.equal('Ours');
    expect(sayMethodAbout({ id: 'own', summary: 'As we do it.' })).to.equal('As we do it.');
    expect(sayStep({ id: 'own' }, 0, { name: 'First', instruct: 'Sit.' })).to.deep.equal({
      name: 'First',
      instruct: 'Sit.',
    });
    expect(sayTable({ id: 'own', name: 'Staff of 2026' })).to.equal('Staff of 2026');
  });
});
