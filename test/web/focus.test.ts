import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import type { FittingDetail, FittingSummary } from '../../src/contract';
import type { Page } from '../../src/contract/paging';
import { screens } from '../support/screens';

describe('a fitting by keyboard', function () {
  this.timeout(60_000);
  const on = screens();
  let id: string;

  const fitting = async () =>
    (await (await fetch(`${on.app.base}/api/v1/fittings/${id}`)).json()) as FittingDetail;
  const focused = () =>
    on.user.page.evaluate(() => {
      const { activeElement } = document;
      return activeElement === document.body
        ? 'nothing'
        : (activeElement?.getAttribute('aria-label') ?? activeElement?.textContent);
    });
  const title = (text: string) =>
    on.user.page.waitForFunction((wanted) => document.title.startsWith(wanted), {}, text);

  before(async () => {
    const { items } = (await (await fetch(`${on.app.base}/api/v1/fittings`)).json()) as Page<FittingSummary>;
    ({ id } = items.find((f) => f.sitter?.name === 'Piet Lunder')!);
  });

  it('goes through places by arrow keys, and keeps the one on which Enter is pressed', async () => {
    await on.user.goTo(`/fittings/${id}?stage=choose`);
    const was = (await fitting()).version;
    const select = (await on.user.find('combobox', 'Workstation')) as ElementHandle<HTMLSelectElement>;
    await select.focus();
    const { keyboard } = on.user.page;
    await keyboard.press('Home');
    await keyboard.press('ArrowDown');
    await keyboard.press('ArrowDown');
    await on.user.sees('Press Enter to choose this');
    const wanted = await select.evaluate((e) => e.value);
    expect((await fitting()).version).to.equal(was);
    expect(await select.evaluate((e) => e === document.activeElement)).to.equal(true);
    await keyboard.press('Enter');
    await on.user.settled();
    const now = await fitting();
    expect(now.place?.versionId).to.equal(wanted);
    expect(now.version).to.equal(was + 1);
    expect(await select.evaluate((e) => e === document.activeElement)).to.equal(true);
  });

  it('goes back on Escape, and keeps nothing', async () => {
    const was = await fitting();
    const select = (await on.user.find('combobox', 'Workstation')) as ElementHandle<HTMLSelectElement>;
    await on.user.page.keyboard.press('ArrowDown');
    await on.user.sees('Press Enter to choose this');
    await on.user.page.keyboard.press('Escape');
    await on.user.seesNoMore('Press Enter to choose this');
    expect(await select.evaluate((e) => e.value)).to.equal(was.place?.versionId);
    await on.user.page.keyboard.press('Tab');
    await on.user.settled();
    expect((await fitting()).version).to.equal(was.version);
  });

  it('keeps the focus on the seat that was chosen', async () => {
    await on.user.page.waitForSelector('button[aria-pressed=false]:not(:disabled)');
    await on.user.page.focus('button[aria-pressed=false]:not(:disabled)');
    const name = await focused();
    await on.user.page.keyboard.press('Enter');
    await on.user.settled();
    expect(await focused()).to.include(name!.slice(0, 12));
  });

  it('says in the title which stage it is, and is never nowhere after going on', async () => {
    await title('Piet Lunder, Workstation and seat');
    const next = await on.user.find('button', 'Next: Adjust');
    await (next as ElementHandle<HTMLButtonElement>).focus();
    await on.user.page.keyboard.press('Enter');
    await title('Piet Lunder, Adjust');
    expect(await focused()).to.equal('Adjust');
    await on.user.page.keyboard.press('4');
    await title('Piet Lunder, Card');
    expect(await focused()).not.to.equal('nothing');
  });

  it('is not nowhere after signing off', async () => {
    const signOff = await on.user.find('button', 'Sign off');
    await (signOff as ElementHandle<HTMLButtonElement>).focus();
    await on.user.page.keyboard.press('Enter');
    await on.user.sees('signed off');
    await on.user.settled();
    expect((await fitting()).state).to.equal('left');
    expect(await focused()).not.to.equal('nothing');
  });
});
