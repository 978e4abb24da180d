/** By touch alone: an office chair from its start position to the signed card, and what may come between. */
import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FittingDetail } from '../../src/contract';
import { screens } from '../support/screens';
import { tap } from '../support/touch';
import { Walker } from '../support/walker';

/** Of an office chair, from the first step to signing off. */
const MOST_TOUCHES = 30;
/** Capitals that are read from where one kneels, CSS px, and their share of the size of the letters. */
const CAPITALS_PX = 52;
const CAPITALS = 0.66;

describe('a seat, set beside it', function () {
  this.timeout(180_000);
  const on = screens();
  const walker = new Walker(on);
  afterEach(() => on.user.page.setOfflineMode(false));

  it('an office chair: within thirty touches, read from afar, and left as calculated', async () => {
    const id = await walker.fittingOf('Maren Tolve');
    await walker.open(id);
    const size = await on.user.page.$eval('main h2 + p', (e) => parseFloat(getComputedStyle(e).fontSize));
    expect(size * CAPITALS).to.be.at.least(CAPITALS_PX);
    const { screens: all, touches } = await walker.goThrough();
    expect(all[0]!.title).to.equal('Before you start');
    expect(all.map((s) => s.title)).to.include.members(['Sitting', 'Seat height', 'Recline tension']);
    const height = all.find((s) => s.title === 'Seat height')!;
    expect(height.main).to.match(/^\d{3} mm$/);
    expect(height.text).to.match(/Lower, by \d+ mm/);
    expect(height.text).to.match(/front edge \d{3} mm above the floor/i);
    const left = await walker.signOff(id);
    expect(touches + 1).to.be.at.most(MOST_TOUCHES);
    expect(left.left).to.include({ version: 1, by: 'Hedda Kvist' });
    await walker.standsAsCalculated(id, left);
  });

  it('what cannot be moved is held and told, tension is found by feel, and a lost connection loses nothing', async () => {
    const id = await walker.fittingOf('Sunniva Harkaway-Brennholm of the Outer Skerries');
    await walker.open(id);
    const { page } = on.user;
    let isOffline = false;
    const { screens: all } = await walker.goThrough({
      'Seat depth': async () => {
        await page.setOfflineMode(true);
        isOffline = true;
        await walker.button('Could not');
        await page.waitForSelector('main [aria-label="Why could it not be set?"]');
        await walker.button('Jammed');
      },
      'Recline tension': async () => {
        await walker.button('Feels wrong');
        await page.waitForSelector('main [aria-label^="Upright"]');
        const was = (await walker.seen()).main;
        await walker.button('Falls back');
        await page.waitForFunction(
          (before) => document.querySelector<HTMLElement>('main h2 + p')?.innerText !== before,
          { timeout: 30_000 },
          was,
        );
        await walker.button('Feels right');
      },
    });
    expect(isOffline).to.equal(true);
    expect(all.find((s) => s.title === 'Sitting' && s.text.includes('Calculated again'))).not.to.equal(
      undefined,
    );
    await on.user.sees('Could not be set: jammed');
    await on.user.sees('Set by feel');
    // Signing off waits for the connection.
    await walker.button('Sign off as left');
    await on.user.sees('It is signed off as soon as there is one');
    expect((await walker.walkOf(id)).fitting.state).to.equal('open');
    await page.setOfflineMode(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await on.user.sees('Signed off by Hedda Kvist');
    const { walk } = await walker.walkOf(id);
    expect(walk!.events.filter((e) => e.answer === 'felt').map((e) => e.feel)).to.deep.equal([
      'falls',
      'right',
    ]);
    expect(walk!.events.find((e) => e.answer === 'stuck')).to.include({
      step: 'set:seatDepth',
      reason: 'jammed',
      by: 'Hedda Kvist',
    });
    // What the tension told of the mass stands beside the scale, and does not take its place.
    const { sitter } = await walker.api<FittingDetail>('GET', `/fittings/${id}`);
    await on.user.goTo(`/people/${sitter.id}`);
    await on.user.sees('Felt at the seat');
    await on.user.sees('does not count: the mass was weighed');
  });

  it('goes on where it was left, also on another device, and says who answered there', async () => {
    const id = await walker.fittingOf('Piet Lunder');
    await walker.open(id);
    await walker.goOn(() => walker.button('Start'));
    await walker.goOn(() => walker.button('Done'));
    const { title } = await walker.seen();
    await on.user.sees('Saved');
    await on.user.reload();
    await on.user.page.waitForSelector('main h2');
    expect((await walker.seen()).title).to.equal(title);
    // The same step, answered here and then elsewhere: what was answered last counts.
    const { walk } = await walker.walkOf(id);
    const step = 'set:seatHeight';
    expect(title).to.equal('Seat height');
    await walker.goOn(() => walker.button('Done'));
    await on.user.sees('Saved');
    await walker.api('POST', `/fittings/${id}/walk/events`, {
      walkId: walk!.id,
      events: [
        { id: v7(), step, answer: 'stuck', position: 2, at: new Date().toISOString(), device: 'another' },
      ],
    });
    await on.user.page.evaluate(() => window.dispatchEvent(new Event('online')));
    await on.user.sees('Calculated again with what stays: seat height');
    await walker.button('Previous step');
    await on.user.sees('Answered on another device');
  });

  it('says where it does not go, keeps what was typed, and stops at a seat that nobody may use', async () => {
    const id = await walker.fittingOf('Piet Lunder');
    await walker.api('POST', `/fittings/${id}/walk`, { id: v7(), again: true });
    await walker.open(id);
    await on.user.unfold('Steps');
    await tap(on.user.page, 'main li button', 'Seat height');
    await walker.button('Tape differs');
    await on.user.type('Reading', '903');
    await walker.button('Leave it there');
    await on.user.sees('Check what was measured, and from where');
    expect(await on.user.valueOf('Reading')).to.equal('903');
    await on.user.type('Reading', '');
    await walker.button('Leave it there');
    await on.user.sees('Enter what was read');
    const seatId = await walker.idOf(
      `select sv.seat_id as id from fittings f join seat_versions sv on sv.id = f.seat_version_id where f.id = '${id}'`,
    );
    const pieceId = v7();
    await walker.api('POST', '/tagged-seats', { id: pieceId, tag: 'WK-9', seatId });
    await walker.api('PATCH', `/fittings/${id}`, { pieceId });
    await walker.api('POST', `/tagged-seats/${pieceId}/faults`, {
      kind: 'liftSinks',
      note: '',
      doNotUse: true,
    });
    await on.user.reload();
    await on.user.sees('Nobody may use this seat');
    expect(await on.user.count('button', 'Done')).to.equal(0);
  });

  it('is read aloud step by step where the browser has a voice, and gone through by tapping anywhere', async () => {
    const id = await walker.fittingOf('Tam Brask');
    const page = await on.bench.open();
    await page.evaluateOnNewDocument(`
      window.said = [];
      Object.defineProperty(window, 'SpeechSynthesisUtterance', { value: class { constructor(text) { this.text = text; } } });
      Object.defineProperty(window, 'speechSynthesis', {
        value: { speak: (one) => window.said.push([one.text, one.lang]), cancel: () => window.said.push(null) },
      });
    `);
    const said = () => page.evaluate('window.said') as Promise<([string, string] | null)[]>;
    const title = () => page.$eval('main h2', (e) => e.innerText);
    await page.setViewport({ width: 800, height: 1280, hasTouch: true });
    await page.goto(`${on.app.base}/fittings/${id}/walk`);
    await page.waitForFunction('document.documentElement.dataset.isLive === "true"');
    await tap(page, 'main button', 'Read aloud');
    const first = (await said()).findLast((one) => one !== null)!;
    expect(first[0]).to.include(await title());
    expect(first[1]).to.equal('en-GB');
    await tap(page, 'main button', 'Tap anywhere');
    for (let n = 0; n < 3; n++) {
      const before = await title();
      // In the middle of the screen, whatever is drawn there.
      await page.touchscreen.tap(400, 640);
      await page.waitForFunction(
        (was) => document.querySelector<HTMLElement>('main h2')!.innerText !== was,
        { timeout: 30_000 },
        before,
      );
      const now = await title();
      await page.waitForFunction(
        `window.said.findLast((one) => one !== null)[0].includes(${JSON.stringify(now)})`,
        { timeout: 30_000 },
      );
      // What was being said is cut short first.
      expect((await said()).at(-2)).to.equal(null);
    }
    await tap(page, 'main button', 'Read aloud');
    expect((await said()).at(-1)).to.equal(null);
    await page.close();
  });

  it('says that a browser has no voice, and goes on without', async () => {
    const id = await walker.fittingOf('Tam Brask');
    const page = await on.bench.open();
    await page.evaluateOnNewDocument(
      'delete window.speechSynthesis; delete Window.prototype.speechSynthesis;',
    );
    await page.goto(`${on.app.base}/fittings/${id}/walk`);
    await page.waitForFunction('document.documentElement.dataset.isLive === "true"');
    await page.waitForFunction(
      `[...document.querySelectorAll('main button')].some((b) => b.innerText === 'Read aloud' && b.disabled)`,
    );
    expect(await page.evaluate(() => document.querySelector<HTMLElement>('main')!.innerText)).to.match(
      /no voice|cannot read aloud|not available/i,
    );
    await page.close();
  });
});
