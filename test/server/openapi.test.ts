import { createConfig, lintFromString } from '@redocly/openapi-core';
import { expect } from 'chai';
import { openApiDocument, ROUTES } from '../../src/api/table';
import { isFileType, methodOf, pathOf } from '../../src/api/route';

interface Operation {
  readonly operationId: string;
  readonly tags: readonly string[];
  readonly summary: string;
  readonly description: string;
  readonly parameters: readonly {
    readonly name: string;
    readonly in: string;
    readonly description: string;
  }[];
  readonly requestBody?: {
    readonly content: Record<string, { readonly schema: object; readonly example: unknown }>;
  };
  readonly responses: Record<
    string,
    { readonly content?: Record<string, { readonly schema?: object; readonly example?: unknown }> }
  >;
  readonly security: readonly object[];
}
interface Document {
  readonly openapi: string;
  readonly paths: Record<string, Record<string, Operation>>;
  readonly components: { readonly schemas: Record<string, { readonly required?: string[] }> };
}

describe('the API’s description', () => {
  const document = openApiDocument() as unknown as Document;
  const operations = Object.values(document.paths).flatMap((path) => Object.values(path));

  it('has every operation of the table once, each under a name of its own', () => {
    const described = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
    );
    expect(described).to.have.members(ROUTES.map((r) => `${methodOf(r)} ${pathOf(r)}`));
    expect(new Set(ROUTES.map((r) => r.operationId)).size).to.equal(ROUTES.length);
  });

  it('says of every operation what it does, what it takes and how it may be refused', () => {
    for (const o of operations) {
      expect(o.tags, o.operationId).to.have.length(1);
      expect(o.summary, o.operationId).to.match(/^[A-ZÀ-Ž]/);
      expect(o.description, o.operationId).to.match(/[.…`]$/);
      expect(
        Object.keys(o.responses).some((status) => status.startsWith('4')),
        o.operationId,
      ).to.equal(true);
      for (const p of o.parameters)
        expect(p.description, `${o.operationId} ${p.name}`).to.have.length.above(3);
      for (const [status, { content }] of Object.entries(o.responses))
        if (status !== '304')
          for (const { schema } of Object.values(content ?? {}))
            expect(schema, `${o.operationId} ${status}`).to.be.an('object');
      expect(o.security, o.operationId).to.be.an('array');
    }
  });

  it('gives an example of every answer, as its schema wants it', () => {
    for (const route of ROUTES) {
      const { responses } = document.paths[pathOf(route)]![methodOf(route).toLowerCase()]!;
      if (isFileType(route.answer) || route.key === 'GET /openapi.json') continue;
      const given = Object.values(responses[String(route.status ?? 200)]!.content!)[0]!.example;
      expect(given, `${route.operationId}, answered`).not.to.equal(undefined);
      expect(route.answer.safeParse(given).error?.issues, `${route.operationId}, answered`).to.equal(
        undefined,
      );
    }
  });

  it('says that a session is asked for everywhere but at the door', () => {
    const open = operations.filter((o) => o.security.length === 0).map((o) => o.operationId);
    expect(open).to.have.members([
      'signIn',
      'signOut',
      'getDescription',
      'getPeopleSchema',
      'reportByLabel',
      'controlSheetByLabel',
      'printLinkedCard',
    ]);
  });

  it('has for every body an example that the operation itself would take', () => {
    for (const { body, example, operationId } of ROUTES) {
      if (!body) continue;
      const read = body.safeParse(example) as { success: boolean; error?: unknown };
      expect(read.success, `${operationId}: ${JSON.stringify(read.error)}`).to.equal(true);
    }
  });

  it('is OpenAPI 3.1 whose references all lead somewhere', () => {
    expect(document.openapi).to.equal('3.1.0');
    const references = [...JSON.stringify(document).matchAll(/"\$ref":"([^"]+)"/g)].map((m) => m[1]!);
    expect(references.length).to.be.greaterThan(100);
    for (const reference of references) {
      const name = /^#\/components\/schemas\/(\w+)$/.exec(reference)?.[1];
      expect(document.components.schemas, reference).to.have.property(name ?? reference);
    }
  });

  it('says which parameters are in the path and which version is asked for', () => {
    const patch = document.paths['/fittings/{id}']?.patch;
    expect(patch?.parameters.map((p) => `${p.in} ${p.name}`)).to.have.members([
      'path id',
      'header If-Match',
      'header Idempotency-Key',
      'header Velto-Fitter',
    ]);
    expect(Object.keys(patch?.requestBody?.content ?? {})).to.deep.equal([
      'application/json',
      'application/merge-patch+json',
    ]);
    expect(document.paths['/sitters']?.get?.parameters.map((p) => p.name)).to.include.members([
      'search',
      'cursor',
      'limit',
    ]);
  });

  it('says of a new sitter what has to be given', () =>
    expect(document.components.schemas.NewSitter?.required).to.have.members(['id', 'name', 'birthDate']));

  // A general linter of API descriptions in its strict recommended form.
  it('is found clean by a linter', async () => {
    const config = await createConfig({ extends: ['recommended-strict'] });
    const said = async (source: string) =>
      (await lintFromString({ source, absoluteRef: '/openapi.json', config })).map((p) => p.ruleId);
    expect(await said(JSON.stringify(document))).to.deep.equal([]);
    // It would say something.
    const spoilt = JSON.stringify(document).replace(
      '"operationId":"listSitters"',
      '"operationId":"getSitter"',
    );
    expect(await said(spoilt)).to.include('operation-operationId-unique');
  }).timeout(30_000);
});
