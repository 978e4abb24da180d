/** The forms of a card, and private links to it, as a fitter and then a sitter use them. */
import { expect } from 'chai';
import type { CardLinks } from '../../src/contract';
import { startBrowser } from '../support/browser';
import { Driver } from '../support/driver';
import { screens } from '../support/screens';
import { readRows } from '../support/read-database';

describe('a card in its forms', function () {
  this.timeout(120_000);
  const on = screens();
  const fittingOf = async (name: string) =>
    String(
      (
        await readRows(
          on.app.folder,
          `select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = '${name}'`,
        )
      )[0]?.id,
    );
  const steps = () => on.user.page.$$eval('article ol > li h3', (all) => all.map((e) => e.innerText));

  it('is chosen, stays chosen, and is downloaded as it is shown', async () => {
    const id = await fittingOf('Ines Farrowby');
    await on.user.goTo(`/fittings/${id}/card`);
    await on.user.choose('Card for', 'the sitter');
    const whole = await steps();
    expect(whole.length).to.be.greaterThan(10);
    await on.user.sees('Keep moving');
    await on.user.choose('Card for', 'a shared seat');
    expect((await steps()).length).to.be.within(1, 3);
    await on.user.sees('Leave everything else as it is.');
    await on.user.reload();
    await on.user.sees('Leave everything else as it is.');
    await on.user.choose('Paper size', 'Letter');
    const href = await on.user.page.$eval('a[href*="card.pdf"]', (a) => a.getAttribute('href')!);
    expect(Object.fromEntries(new URL(href, on.app.base).searchParams)).to.deep.equal({
      form: 'shared',
      paper: 'Letter',
      units: 'mm',
    });
    const file = await fetch(on.app.base + href);
    expect(file.headers.get('content-disposition')).to.include('settings-card-shared-');
    await on.user.choose('Card for', 'the pocket');
    // Without controls, the same settings in the same order.
    expect(await steps()).to.deep.equal(whole);
    // Only the file has the lines along which it is cut.
    expect(await on.user.page.$$eval('main button', (all) => all.map((b) => b.innerText))).not.to.include(
      'Print',
    );
    await on.user.sees('A private link needs a version that is signed off.');
  });

  it('is opened by a private link on a phone that never signed in, until the link is withdrawn', async () => {
    const id = await fittingOf('Odd Quillsay');
    const links = async () =>
      (await (await fetch(`${on.app.base}/api/v1/fittings/${id}/links`)).json()) as CardLinks;
    await on.user.goTo(`/fittings/${id}/card?form=sitter`);
    await on.user.sees('No link opens this card.');
    await on.user.press('Add a private link');
    await on.user.sees('Link added.');
    const address = await on.user.page.$eval('a[href^="/c/"]', (a) => a.getAttribute('href')!);
    const shown = await on.user.page.$eval('article', (a) => a.innerText);
    const phones = await startBrowser();
    try {
      const phone = new Driver(await phones.open(), on.app.base);
      await phone.page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
      await phone.page.goto(on.app.base + address);
      expect(await phone.page.$eval('article', (a) => a.innerText)).to.equal(shown);
      const wide = await phone.page.evaluate(() => document.documentElement.scrollWidth);
      expect(wide).to.be.at.most(390);
      // It needs no script.
      expect(await phone.page.$$eval('script[src], astro-island', (all) => all.length)).to.equal(0);

      // Asked twice: the first press withdraws nothing.
      await on.user.press('Withdraw');
      await on.user.sees('Codes that are printed already stop working.');
      expect((await links()).links).to.have.length(1);
      await on.user.press('Keep');
      await on.user.press('Withdraw');
      await on.user.press('Withdraw');
      await on.user.sees('it opens nothing any more');
      expect((await links()).links).to.deep.equal([]);
      const gone = await phone.page.reload();
      expect(gone?.status()).to.equal(404);
      expect(await phone.page.$eval('main', (m) => m.innerText)).to.include('not shown here any more');
      phone.faults.length = 0;
    } finally {
      await phones.stop();
    }
  });
});
