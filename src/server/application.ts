import '../words/pages';
import type { IncomingMessage, ServerResponse } from 'node:http';
import compression from 'compression';
import sirv from 'sirv';
import { METHODS } from '../api/route';
import { addressOf, isSecure, trustOf } from './addresses';
import { contentPolicy, scriptHashes } from './content-policy';
import { COOKIES, cookieOf, type Gate } from './gate';
import {
  bodyFault,
  comesFromHere,
  hostOf,
  namesOneHost,
  refuse,
  setSecurityHeaders,
  strangerTo,
} from './guard';
import { SIGN_IN, isOpenPage } from './open-pages';
import { readTarget } from './request-target';

const FILE_POLICY = contentPolicy([]);

export type Handler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: (error?: unknown) => void,
  locals?: App.Locals,
) => void;

export interface ApplicationOptions {
  readonly handler: Handler;
  readonly clientFolder: string;
  /** null where no passphrase is set: then only this machine is served. */
  readonly gate: Gate | null;
  readonly proxies: readonly string[];
  readonly publicUrl: string | null;
}

/** Pages and answers of the API, made anew for each request; what was built is compressed already. */
const compress = compression() as unknown as (
  request: IncomingMessage,
  response: ServerResponse,
  next: () => void,
) => void;

const YEAR_S = 31_536_000;
/** Built files: their names change with their content. */
const HASHED = '/_astro/';
const API = '/api/';
const NOT_FOUND = '/404';
const OF_PAGES = ['GET', 'HEAD'];
const OF_OPERATIONS = [...OF_PAGES, ...METHODS.filter((m) => m !== 'GET'), 'OPTIONS'];

/** The framework's pages and endpoints with everything around them: headers, checks, files, what is not there. */
export class Application {
  private policy = contentPolicy([]);
  private readonly files: ReturnType<typeof sirv>;
  private readonly trust: ReturnType<typeof trustOf>;
  private readonly publicHost: string | null;

  constructor(private readonly options: ApplicationOptions) {
    this.trust = trustOf(options.proxies);
    this.publicHost = options.publicUrl === null ? null : hostOf(options.publicUrl);
    this.files = sirv(options.clientFolder, {
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
    const target = readTarget(request.url);
    // Built files are no pages: nothing inline is in them, and they need not name it.
    const isPage = !target?.path.startsWith(HASHED);
    const policy = isPage ? this.policy : FILE_POLICY;
    const isTrusted = this.options.gate === null || this.isSecure(request);
    setSecurityHeaders(response, { policy, isPage, isTrusted });
    if (!target) return refuse(response, 'badAddress');
    if (!namesOneHost(request)) return refuse(response, 'badRequest');
    const methods = target.path.startsWith(API) ? OF_OPERATIONS : OF_PAGES;
    if (!methods.includes(request.method ?? '')) {
      response.setHeader('allow', methods.join(', '));
      return refuse(response, 'wrongMethod');
    }
    const stranger = this.options.gate ? null : strangerTo(request);
    if (stranger) return refuse(response, stranger);
    if (!comesFromHere(request, this.publicHost)) return refuse(response, 'wrongOrigin');
    const fault = bodyFault(request);
    if (fault) return refuse(response, fault);
    this.files(request, response, () =>
      compress(request, response, () => this.answerSignedIn(request, response, target.path)),
    );
  }

  private isSecure(request: IncomingMessage): boolean {
    return this.options.publicUrl?.startsWith('https:') === true || isSecure(request, this.trust);
  }

  /** Leads a visitor to signing in; operations are handed who asks and refuse for themselves. */
  private answerSignedIn(request: IncomingMessage, response: ServerResponse, path: string): void {
    const { gate, handler } = this.options;
    const signedIn = !gate || gate.isOpen(cookieOf(request.headers.cookie, COOKIES.session));
    const url = request.url ?? '/';
    if (!signedIn && !path.startsWith(API) && !isOpenPage(path)) {
      const wanted = request.method === 'GET' && url !== '/' ? `?to=${encodeURIComponent(url)}` : '';
      response.writeHead(303, { location: SIGN_IN + wanted, 'cache-control': 'no-store' });
      response.end();
      return;
    }
    const locals = { signedIn, address: addressOf(request, this.trust), isSecure: this.isSecure(request) };
    handler(
      request,
      response,
      (error) => (error ? this.answerFault(response) : this.answerMissing(request, response, path, locals)),
      locals,
    );
  }

  /** What no page or operation knows: a page in words, or a problem where a program asked. */
  private answerMissing(
    request: IncomingMessage,
    response: ServerResponse,
    path: string,
    locals: App.Locals,
  ): void {
    if (path.startsWith(API)) return refuse(response, 'notFound');
    request.url = NOT_FOUND;
    this.options.handler(request, response, () => this.answerFault(response), locals);
  }

  private answerFault(response: ServerResponse): void {
    if (!response.headersSent) refuse(response, 'unexpected');
  }
}
