import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { CardSchema } from '../../src/contract';
import { ENDPOINTS } from '../../src/contract/endpoints';
import { openApiDocument } from '../../src/contract/openapi';
import { startApp, type App } from '../support/app';

const ROUTES = 'src/pages/api/v1';

/** `method path` of every route file. */
function routes(): string[] {
  return readdirSync(ROUTES, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && entry.name.endsWith('.ts') && !entry.name.startsWith('openapi'))
    .flatMap((entry) => {
      const file = join(entry.parentPath, entry.name);
      const path = `/${file.slice(ROUTES.length + 1)}`
        .replace(/\.ts$/, '')
        .replace(/\/index$/, '')
        .replace(/\[(\w+)\]/g, '{$1}');
      return [...readFileSync(file, 'utf8').matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
        (m) => `${m[1]!.toLowerCase()} ${path}`,
      );
    });
}

interface Document {
  readonly openapi: string;
  readonly paths: Record<
    string,
    Record<string, { parameters: { name: string; in: string }[]; requestBody?: unknown }>
  >;
  readonly components: {
    readonly schemas: Record<
      string,
      { type?: string; properties?: Record<string, unknown>; required?: string[] }
    >;
  };
}

describe('the API’s description', () => {
  const document = openApiDocument() as unknown as Document;

  it('has every endpoint there is and no other', () => {
    expect(ENDPOINTS.map((e) => `${e.method} ${e.path}`)).to.have.members(routes());
  });

  it('is OpenAPI 3.1 whose references all lead somewhere', () => {
    expect(document.openapi).to.equal('3.1.0');
    const references = [...JSON.stringify(document).matchAll(/"\$ref":"([^"]+)"/g)].map((m) => m[1]!);
    expect(references.length).to.be.greaterThan(30);
    for (const reference of references) {
      const name = /^#\/components\/schemas\/(\w+)$/.exec(reference)?.[1];
      expect(document.components.schemas, reference).to.have.property(name ?? reference);
    }
  });

  it('says which parameters stand in the path and which version is asked for', () => {
    const patch = document.paths['/fittings/{id}']?.patch;
    expect(patch?.parameters.map((p) => `${p.in} ${p.name}`)).to.have.members([
      'path id',
      'header If-Match',
      'header Idempotency-Key',
    ]);
    expect(document.paths['/sitters']?.get?.parameters.map((p) => p.name)).to.deep.equal(['search']);
  });

  it('says of a new sitter what has to be given', () => {
    const schema = document.components.schemas.NewSitter;
    expect(schema?.required).to.have.members(['id', 'name', 'birthDate']);
  });

  describe('at the running server', () => {
    let app: App;
    before(async () => {
      app = await startApp();
    });
    after(() => app.stop());

    it('is served as it is made', async () => {
      const served = (await (await fetch(`${app.base}/api/v1/openapi.json`)).json()) as Document;
      expect(served).to.deep.equal(JSON.parse(JSON.stringify(document)));
    });

    it('is true of the card', async () => {
      const [fitting] = (await (await fetch(`${app.base}/api/v1/fittings`)).json()) as { id: string }[];
      const card: unknown = await (await fetch(`${app.base}/api/v1/fittings/${fitting!.id}/card`)).json();
      expect(CardSchema.strict().safeParse(card).success).to.equal(true);
    });
  });
});
