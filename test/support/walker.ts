/** Goes through a walk at the seat with one finger. */
import { expect } from 'chai';
import { v7 } from 'uuid';
import type { WalkState } from '../../src/contract/walks';
import type { Settings } from '../../src/core/fit';
import type { screens } from './screens';
import { readRows } from './read-database';
import { tap } from './touch';

export interface Seen {
  readonly title: string;
  readonly main: string;
  readonly text: string;
}

const FITTER = 'Hedda Kvist';
/** More steps than any seat has. */
const MOST_STEPS = 80;

export class Walker {
  constructor(private readonly on: ReturnType<typeof screens>) {}

  async api<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await fetch(`${this.on.app.base}/api/v1${path}`, {
      method,
      headers: {
        'content-type': 'application/json',
        'if-match': '*',
        ...(method !== 'GET' && { 'idempotency-key': v7() }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
    return (await response.json()) as T;
  }

  async idOf(sql: string): Promise<string> {
    return String((await readRows(this.on.app.folder, sql))[0]?.id);
  }

  fittingOf(name: string): Promise<string> {
    return this.idOf(
      `select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = '${name}'`,
    );
  }

  walkOf(id: string): Promise<WalkState> {
    return this.api('GET', `/fittings/${id}/walk`);
  }

  async settingsOf(id: string): Promise<Settings> {
    return (await this.api<{ settings: Settings }>('GET', `/fittings/${id}/settings`)).settings;
  }

  async open(id: string): Promise<void> {
    const { app, user } = this.on;
    await user.page.setViewport({ width: 800, height: 1280, hasTouch: true });
    const fitter = await this.idOf(`select id from fitters where name = '${FITTER}'`);
    await user.page.setCookie({ name: 'velto-fitter', value: fitter, url: app.base });
    await user.goTo(`/fittings/${id}/walk`);
    await user.page.waitForSelector('main h2');
    // Its first step is seen before it has begun.
    await user.page.waitForSelector('main [inert]', { hidden: true });
  }

  button(name: string | RegExp): Promise<void> {
    return tap(this.on.user.page, 'main button', name);
  }

  seen(): Promise<Seen> {
    return this.on.user.page.evaluate(() => ({
      title: document.querySelector<HTMLElement>('main h2')?.innerText ?? '',
      main: document.querySelector<HTMLElement>('main h2 + p')?.innerText ?? '',
      text: document.querySelector<HTMLElement>('main')?.innerText ?? '',
    }));
  }

  /** Waits until another step, or the end, is shown. */
  async goOn(act: () => Promise<void>): Promise<void> {
    const before = (await this.seen()).text;
    await act();
    await this.on.user.page.waitForFunction(
      (was) => document.querySelector<HTMLElement>('main')?.innerText !== was,
      { timeout: 30_000, polling: 30 },
      before,
    );
  }

  /** Goes to the end, as calculated but for what is answered otherwise; every screen that was seen, in order. */
  async goThrough(
    others: Readonly<Record<string, () => Promise<void>>> = {},
  ): Promise<{ readonly screens: Seen[]; readonly touches: number }> {
    const screensSeen: Seen[] = [];
    for (let touches = 0; touches < MOST_STEPS; touches++) {
      const now = await this.seen();
      if (now.title === 'As left') return { screens: screensSeen, touches };
      screensSeen.push(now);
      await this.goOn(others[now.title] ?? (() => this.button(/^(Start|Done)$/)));
    }
    throw new Error('a walk that does not end');
  }

  /** Signs off, and looks at the card. */
  async signOff(id: string): Promise<WalkState> {
    const { user } = this.on;
    await this.button('Sign off as left');
    await user.sees(`Signed off by ${FITTER}`);
    await Promise.all([
      user.page.waitForNavigation({ waitUntil: 'load' }),
      tap(user.page, 'main a', 'Cards'),
    ]);
    await user.sees('Settings card');
    expect(user.faults).to.deep.equal([]);
    return this.walkOf(id);
  }

  /** Everything of a seat that somebody sets stands as calculated. */
  async standsAsCalculated(id: string, { walk }: WalkState): Promise<void> {
    const { positions } = await this.settingsOf(id);
    for (const [kind, position] of Object.entries(walk!.base.positions))
      if (walk!.events.some((e) => e.step === `set:${kind}`))
        expect(positions[kind as keyof typeof positions], kind).to.equal(position);
  }
}
