/** What the core says of its functions: what comes back, in which unit, what null means, from where; and examples that hold. */
import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect } from 'chai';
import ts from 'typescript';
import { CORE, ROOT, coreExports } from '../support/core-modules';
import { SCENE } from '../support/documented';

interface Documented {
  readonly file: string;
  readonly name: string;
  readonly doc: string;
  readonly signature: ts.Signature;
  readonly declaration: ts.SignatureDeclaration;
  readonly symbol: ts.Symbol;
}

/** From where a value is known: a source, or that it is one of ours. */
const FROM =
  /Definition|Assumed|assumed|Common practice, no source|Sources?[: ]|et al\.|\(\d{4}\)|& \w+ \d{4}/;
/** A unit, an interval or another way to say what a number may be. */
const SAYS_NUMBER =
  /mm|degree|°|kg|N·m|point|share|unit|deviation|count|position|place|number|score|year|month|0 |−1|negative|correlation|per |finger|px|seed/i;
/** Names that say their unit. */
const UNIT_IN_NAME = /(?:Mm|Deg|Kg|Nm)$/;

describe('the functions of the core', function () {
  this.timeout(60_000);
  const functions: Documented[] = [];
  const usedOutside = new Set<ts.Symbol>();
  let checker: ts.TypeChecker;

  before(() => {
    const files = readdirSync(join(ROOT, 'src'), { recursive: true })
      .map((name) => join(ROOT, 'src', String(name)))
      .filter((name) => /\.tsx?$/.test(name));
    const { options } = ts.parseJsonConfigFileContent(
      ts.readConfigFile(join(ROOT, 'tsconfig.json'), (path) => ts.sys.readFile(path)).config,
      ts.sys,
      ROOT,
    );
    const program = ts.createProgram(files, options);
    checker = program.getTypeChecker();
    for (const path of files) {
      const source = program.getSourceFile(path)!;
      if (path.startsWith(CORE)) functions.push(...functionsOf(source));
      else for (const symbol of importsOf(source)) usedOutside.add(symbol);
    }
  });

  function functionsOf(source: ts.SourceFile): Documented[] {
    const exported = checker.getSymbolAtLocation(source)?.exports?.values() ?? [];
    return [...exported].flatMap((symbol) => {
      const declaration = symbol.valueDeclaration;
      if (!declaration || !(ts.isFunctionDeclaration(declaration) || ts.isVariableDeclaration(declaration)))
        return [];
      const type = checker.getTypeAtLocation(declaration);
      const [signature] = type.getCallSignatures();
      // A schema can be called as well; it is documented by its fields.
      if (!signature || type.getProperties().length > 0) return [];
      const statement = ts.isFunctionDeclaration(declaration) ? declaration : declaration.parent.parent;
      const doc = ts
        .getJSDocCommentsAndTags(statement)
        .filter((node) => ts.isJSDoc(node))
        .map((node) => node.getText())
        .join('\n');
      return [
        {
          file: relative(CORE, source.fileName),
          name: symbol.name,
          doc,
          signature,
          declaration: signature.getDeclaration(),
          symbol,
        },
      ];
    });
  }

  function importsOf(source: ts.SourceFile): ts.Symbol[] {
    return source.statements.flatMap((statement) => {
      const bindings = ts.isImportDeclaration(statement) && statement.importClause?.namedBindings;
      if (!bindings || !ts.isNamedImports(bindings)) return [];
      return bindings.elements.flatMap(({ name }) => {
        const symbol = checker.getSymbolAtLocation(name);
        return symbol && symbol.flags & ts.SymbolFlags.Alias ? [checker.getAliasedSymbol(symbol)] : [];
      });
    });
  }

  const missing = (fails: (f: Documented) => boolean): string[] =>
    functions.filter(fails).map(({ file, name }) => `${file}: ${name}`);
  const returnsOf = ({ doc }: Documented): string =>
    /@returns([\s\S]*?)(?=\n \* @|\*\/|$)/.exec(doc)?.[1] ?? '';
  const returned = ({ signature }: Documented): string =>
    checker.typeToString(signature.getReturnType(), undefined, ts.TypeFormatFlags.NoTruncation);

  it('say what they return, and from where it is known', () => {
    expect(functions.length).to.be.greaterThan(400);
    expect(missing((f) => !/^\/\*\*\s+(?:\* )?[^@\s]/.test(f.doc))).to.deep.equal([]);
    expect(missing((f) => returned(f) !== 'void' && returnsOf(f).trim() === '')).to.deep.equal([]);
    expect(missing((f) => returned(f) !== 'void' && !FROM.test(f.doc))).to.deep.equal([]);
  });

  it('say the unit or the interval of every number', () => {
    expect(
      missing((f) => /^number(?: \| null)?$/.test(returned(f)) && !SAYS_NUMBER.test(f.doc)),
    ).to.deep.equal([]);
    const unsaid = functions.flatMap(({ file, name, doc, declaration }) =>
      declaration.parameters
        .filter((parameter) => ts.isIdentifier(parameter.name))
        .filter((parameter) => /^number$/.test(checker.typeToString(checker.getTypeAtLocation(parameter))))
        .map((parameter) => parameter.name.getText())
        .filter(
          (parameter) => !UNIT_IN_NAME.test(parameter) && !new RegExp(`@param ${parameter}\\b`).test(doc),
        )
        .map((parameter) => `${file}: ${name}(${parameter})`),
    );
    expect(unsaid).to.deep.equal([]);
  });

  it('say when there is nothing, and when they fail', () => {
    const mayBe = ({ signature }: Documented, flag: ts.TypeFlags): boolean => {
      const type = signature.getReturnType();
      return type.isUnion() && type.types.some((t) => (t.flags & flag) !== 0);
    };
    expect(missing((f) => mayBe(f, ts.TypeFlags.Null) && !/null/i.test(f.doc))).to.deep.equal([]);
    expect(missing((f) => mayBe(f, ts.TypeFlags.Undefined) && !/undefined/.test(f.doc))).to.deep.equal([]);
    const throwing = (node: ts.Node): boolean =>
      ts.isThrowStatement(node) || (ts.forEachChild(node, throwing) ?? false);
    expect(missing((f) => throwing(f.declaration) && !/@throws/.test(f.doc))).to.deep.equal([]);
  });

  it('have an example where they are used outside of the core', () => {
    const used = functions.filter(({ symbol }) => usedOutside.has(symbol));
    expect(used.length).to.be.greaterThan(120);
    expect(missing((f) => usedOutside.has(f.symbol) && !/@example/.test(f.doc))).to.deep.equal([]);
  });

  it('do what their examples say', async () => {
    const all = await coreExports();
    const rounded = (value: unknown): unknown =>
      value === undefined
        ? undefined
        : (JSON.parse(
            JSON.stringify(value, (_, v: unknown) =>
              typeof v === 'number' ? Math.round(v * 1000) / 1000 : v,
            ),
          ) as unknown);
    let count = 0;
    for (const { file, name, doc } of functions) {
      const example = /@example\s+\* (.*)/.exec(doc)?.[1];
      if (!example) continue;
      const [code = '', says = ''] = example.split(' // => ');
      const own = (await import(pathToFileURL(join(CORE, file)).href)) as object;
      const scope = { ...all, ...own, ...SCENE };
      // An example is an expression over the core and the scene, as a reader would type it.
      const run = (text: string): unknown =>
        // eslint-disable-next-line @typescript-eslint/no-implied-eval
        (new Function('scope', `with (scope) return (${text});`) as (scope: object) => unknown)(scope);
      expect(rounded(run(code)), `${file}: ${name}`).to.deep.equal(rounded(run(says)));
      count++;
    }
    expect(count).to.be.greaterThan(120);
  });
});
