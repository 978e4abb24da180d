import type { IncomingMessage, ServerResponse } from 'node:http';
import sirv from 'sirv';
import { contentPolicy, scriptHashes } from './content-policy';
import { bodyFault, comesFromHere, refuse, setSecurityHeaders } from './guard';

export type Handler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: (error?: unknown) => void,
) => void;

const YEAR_S = 31_536_000;
/** Files whose name changes with their content. */
const HASHED = '/_astro/';

/** The framework's pages and endpoints with everything around them: headers, checks, files, what is not there. */
export class Application {
  private policy = contentPolicy([]);
  private readonly files: ReturnType<typeof sirv>;

  constructor(
    private readonly handler: Handler,
    clientFolder: string,
  ) {
    this.files = sirv(clientFolder, {
      etag: true,
      gzip: true,
      brotli: true,
      setHeaders: (response, path) =>
        response.setHeader(
          'cache-control',
          path.startsWith(HASHED) ? `public, max-age=${YEAR_S}, immutable` : 'no-cache',
        ),
    });
  }

  /**
   * Allows the inline scripts that the framework puts into every page: those of a page that shows nobody's data. They
   * are the same on every page of one build.
   */
  async learnScripts(address: string): Promise<void> {
    const page = await fetch(`${address}404`);
    this.policy = contentPolicy(scriptHashes(await page.text()));
  }

  answer(request: IncomingMessage, response: ServerResponse): void {
    setSecurityHeaders(response, this.policy);
    if (!comesFromHere(request)) return refuse(response, 'wrongOrigin');
    const fault = bodyFault(request);
    if (fault) return refuse(response, fault);
    this.files(request, response, () =>
      this.handler(request, response, (error) =>
        error ? this.answerFault(response) : this.answerMissing(request, response),
      ),
    );
  }

  /** What no page or endpoint knows: a page in words, or a problem where a program asked. */
  private answerMissing(request: IncomingMessage, response: ServerResponse): void {
    if (request.url?.startsWith('/api/')) return refuse(response, 'notFound');
    request.url = '/404';
    this.handler(request, response, () => this.answerFault(response));
  }

  private answerFault(response: ServerResponse): void {
    if (!response.headersSent) refuse(response, 'unexpected');
  }
}
