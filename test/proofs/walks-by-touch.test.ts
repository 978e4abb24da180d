/** By touch alone: five more seats from their start position to the signed card. */
import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FittingDetail, SeatSummary } from '../../src/contract';
import type { SeatModel } from '../../src/core/seat';
import { screens } from '../support/screens';
import { Walker } from '../support/walker';

describe('other seats, set beside them', function () {
  this.timeout(600_000);
  const on = screens();
  const walker = new Walker(on);

  it('a close-handwork stool: tilted, and then its height again', async () => {
    const id = await walker.fittingOf('Odd Quillsay');
    await walker.api('POST', `/fittings/${id}/acts`, { act: 'reopen' });
    const methodVersionId = await walker.idOf(
      "select id from method_versions where method_id = 'open-wedge'",
    );
    await walker.api('PATCH', `/fittings/${id}`, { methodVersionId });
    await walker.api('POST', `/fittings/${id}/acts`, { act: 'solve' });
    await walker.open(id);
    const { screens: all } = await walker.goThrough();
    const heights = all.flatMap((s, i) => (s.title === 'Seat height' ? [i] : []));
    expect(heights).to.have.length(2);
    const tilt = all.findIndex((s) => s.title === 'Seat angle');
    expect(tilt).to.be.within(heights[0]! + 1, heights[1]! - 1);
    expect(all[heights[1]!]!.text).to.include('Check again, because this has changed since: seat angle');
    expect(all[heights[1]!]!.text).to.include('seat tilted as set');
    await walker.standsAsCalculated(id, await walker.signOff(id));
  });

  it('a control desk seat: strokes of the bulb, three postures, arms set by whoever stands behind', async () => {
    const id = await walker.fittingOf('Ines Farrowby');
    await walker.open(id);
    const { screens: all } = await walker.goThrough();
    const bulb = all.find((s) => s.title === 'Lumbar support depth')!;
    expect(bulb.main).to.match(/strokes?$/);
    expect(bulb.text).to.include('Press the valve until all the air is out');
    expect(all.find((s) => s.title === 'Armrest width')!.text).to.match(
      /STANDING|Standing[\s\S]*Stand behind the seat; right and left are yours/,
    );
    const postures = all.filter((s) => s.title === 'Another posture');
    expect(postures.map((s) => s.main.split(':')[0])).to.deep.equal([
      'Leaning back to listen',
      'Writing the log',
    ]);
    expect(postures[0]!.main).to.match(/\d+ changes?$/);
    await walker.standsAsCalculated(id, await walker.signOff(id));
  });

  it('a helm seat: weighed, belted, and the belt snug again at the end', async () => {
    const id = await walker.fittingOf('Tam Brask');
    await walker.open(id);
    const { screens: all } = await walker.goThrough();
    const titles = all.map((s) => s.title);
    expect(titles.filter((t) => t === 'Harness')).to.have.length(2);
    expect(all.filter((s) => s.title === 'Harness')[1]!.main).to.equal('Pull it snug again');
    const weight = all.find((s) => s.title === 'Suspension weight')!;
    expect(weight.text).to.include('Sit still, hands off the controls');
    expect(weight.text).to.include('Adjust only with the machine parked');
    await walker.standsAsCalculated(id, await walker.signOff(id));
  });

  it('a child’s chair: by an adult, with the key', async () => {
    const id = await walker.fittingOf('Wren Ostley');
    await walker.open(id);
    const { screens: all } = await walker.goThrough();
    expect(all[0]!.text).to.include('Supervise children');
    expect(all[0]!.text).to.include('Leave the seat as it stands');
    expect(all.find((s) => s.title === 'Seat height')!.text).to.include('Tool: 5 mm key');
    await walker.standsAsCalculated(id, await walker.signOff(id));
  });

  it('an ordinary chair: a board, a blanket, a towel and boxes', async () => {
    const sitterId = await walker.idOf("select id from sitters where name = 'Piet Lunder'");
    const seat = await walker.idOf(
      "select id from seat_versions where json_extract(document, '$.name') = 'Sandwick waiting room chair'",
    );
    const place = await walker.idOf(
      "select id from place_versions where json_extract(document, '$.name') like 'Booking office%'",
    );
    const id = v7();
    await walker.api('POST', '/fittings', { id, sitterId, fitterId: null });
    await walker.api<FittingDetail>('PATCH', `/fittings/${id}`, {
      seatVersionId: seat,
      placeVersionId: place,
    });
    const remedies = { footrestMm: 30, seatPadMm: 20, lumbarRollMm: 30, screenRiserMm: 80 };
    await walker.api('POST', `/fittings/${id}/acts`, { act: 'solve', settings: { positions: {}, remedies } });
    await walker.open(id);
    const { screens: all } = await walker.goThrough();
    const added = all.filter((s) => s.title === 'Add or take off').map((s) => s.main);
    expect(added).to.have.length(4);
    expect(added.join(' · ')).to.match(/20 mm.*30 mm/);
    expect(all.map((s) => s.title)).not.to.include('Before you start');
    await walker.signOff(id);
    expect((await walker.settingsOf(id)).remedies).to.deep.equal(remedies);
  });

  it('a chair whose tension nobody has measured: by trial, halved until it floats, and kept as found', async () => {
    const seatId = await walker.idOf(
      "select seat_id as id from seat_versions where json_extract(document, '$.name') = 'Tidewick shared chair'",
    );
    const { seat } = await walker.api<SeatSummary>('GET', `/seats/${seatId}`);
    const unknown: SeatModel = {
      ...seat,
      id: v7(),
      name: 'Tidewick shared chair, spring not known',
      adjustments: seat.adjustments.map((a) => ({ ...a, effort: undefined })),
    };
    const { versionId } = await walker.api<SeatSummary>('POST', '/seats', unknown);
    const id = v7();
    const sitterId = await walker.idOf("select id from sitters where name = 'Piet Lunder'");
    await walker.api('POST', '/fittings', { id, sitterId, fitterId: null });
    await walker.api('PATCH', `/fittings/${id}`, {
      seatVersionId: versionId,
      placeVersionId: await walker.idOf(
        "select id from place_versions where json_extract(document, '$.name') like 'Booking office%'",
      ),
    });
    await walker.api('POST', `/fittings/${id}/acts`, { act: 'solve' });
    await walker.open(id);
    const tried: string[] = [];
    const { screens: all } = await walker.goThrough({
      'Recline tension': async () => {
        for (const says of ['Falls back', 'Pushed forward', 'Falls back']) {
          const number = () =>
            on.user.page.$eval('main', (e) => /Position (\d+) of \d+/.exec(e.innerText)?.[1] ?? '');
          tried.push(await number());
          await walker.goOn(() => walker.button(says));
        }
        await walker.button('Feels right');
      },
    });
    expect(all.find((s) => s.title === 'Recline tension')!.text).to.include('Find it by trial');
    // Stiffer, softer, stiffer, each time by half of what is left.
    const [first, second, third] = tried.map(Number);
    expect(second).to.be.greaterThan(first!);
    expect(third).to.be.within(first! + 1, second! - 1);
    const { walk } = await walker.signOff(id);
    const felt = walk!.events.filter((e) => e.answer === 'felt');
    expect(felt.map((e) => e.feel)).to.deep.equal(['falls', 'pushed', 'falls', 'right']);
    const { positions } = await walker.settingsOf(id);
    expect(positions.tiltTension).to.equal(felt.at(-1)!.position);
  });
});
