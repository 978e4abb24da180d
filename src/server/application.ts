import '../words/pages';
import type { IncomingMessage, ServerResponse } from 'node:http';
import sirv from 'sirv';
import { contentPolicy, scriptHashes } from './content-policy';
import { sessionToken, type Gate } from './gate';
import { bodyFault, comesFromHere, meantForLoopback, refuse, setSecurityHeaders } from './guard';

const FILE_POLICY = contentPolicy([]);

export type Handler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: (error?: unknown) => void,
  locals?: App.Locals,
) => void;

const YEAR_S = 31_536_000;
/** Built files: their names change with their content. */
const HASHED = '/_astro/';
const SIGN_IN = '/sign-in';

/** The framework's pages and endpoints with everything around them: headers, checks, files, what is not there. */
export class Application {
  private policy = contentPolicy([]);
  private readonly files: ReturnType<typeof sirv>;

  constructor(
    private readonly handler: Handler,
    clientFolder: string,
    private readonly gate: Gate | null,
    private readonly isLoopback: boolean,
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
    const page = await fetch(`${address}${SIGN_IN.slice(1)}`);
    this.policy = contentPolicy(scriptHashes(await page.text()));
  }

  answer(request: IncomingMessage, response: ServerResponse): void {
    // Built files are no pages: nothing inline is in them, and they need not name it.
    const isPage = !request.url?.startsWith(HASHED);
    const policy = isPage ? this.policy : FILE_POLICY;
    setSecurityHeaders(response, { policy, isPage, isTrusted: this.isLoopback });
    if (this.isLoopback && !meantForLoopback(request)) return refuse(response, 'wrongHost');
    if (!comesFromHere(request)) return refuse(response, 'wrongOrigin');
    const fault = bodyFault(request);
    if (fault) return refuse(response, fault);
    this.files(request, response, () => this.answerSignedIn(request, response));
  }

  /** Leads a visitor to signing in; endpoints are handed who asks and refuse for themselves. */
  private answerSignedIn(request: IncomingMessage, response: ServerResponse): void {
    const signedIn = !this.gate || this.gate.isOpen(sessionToken(request.headers.cookie));
    const url = request.url ?? '/';
    if (!signedIn && !url.startsWith('/api/') && url.split('?')[0] !== SIGN_IN) {
      const wanted = request.method === 'GET' && url !== '/' ? `?to=${encodeURIComponent(url)}` : '';
      response.writeHead(303, { location: SIGN_IN + wanted, 'cache-control': 'no-store' });
      response.end();
      return;
    }
    this.handler(
      request,
      response,
      (error) => (error ? this.answerFault(response) : this.answerMissing(request, response)),
      { signedIn },
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
