import { expect } from 'chai';
import { v7 } from 'uuid';
import { SHIPPED_METHODS, targetOf, type Method } from '../../src/core/method';
import { problemOf, type FitInputs } from '../../src/core/fit';
import {
  allFitters,
  methodVersionsOf,
  saveHand,
  addMethod,
  allMethods,
  editMethod,
} from '../../src/service/catalogue';
import { allSeats } from '../../src/service/seats';
import { createFitting, editFitting, fittingDetail } from '../../src/service/fittings';
import { createSitter } from '../../src/service/sitters';
import { openBench, type Bench } from '../support/context';
import { reasonOf, valueOf } from '../support/outcome';

const [RIGHT_ANGLE] = SHIPPED_METHODS as [Method, ...Method[]];
const ours = (more: Partial<Method> = {}): Method => ({ ...RIGHT_ANGLE, id: v7(), name: 'Ours', ...more });

describe('methods and hands', () => {
  let bench: Bench;
  beforeEach(async () => {
    bench = await openBench({ demo: true });
  });
  afterEach(() => bench.close());

  describe('methods of a practice', () => {
    it('are those that come with the program, and copies that become its own', async () => {
      const shipped = valueOf(await allMethods(bench.context));
      expect(shipped.map((m) => m.method.id)).to.have.members(SHIPPED_METHODS.map((m) => m.id));
      expect(shipped.every((m) => !m.isOwn && m.version === 1)).to.equal(true);
      const made = valueOf(await addMethod(bench.context, ours({ copiedFrom: RIGHT_ANGLE.id })));
      expect(made).to.include({ isOwn: true, version: 1 });
      expect(valueOf(await allMethods(bench.context)).map((m) => m.method.name)).to.include('Ours');
      // Asked again, the same.
      expect(valueOf(await addMethod(bench.context, made.method)).versionId).to.equal(made.versionId);
    });

    it('that come with the program are not changed', async () => {
      const refused = await editMethod(bench.context, RIGHT_ANGLE.id, 1, { ...RIGHT_ANGLE, name: 'Mine' });
      expect(!refused.ok && refused.faults?.[0]?.pointer).to.equal('/id');
    });

    it('have a version for every saving, and two who save notice each other', async () => {
      const { context } = bench;
      const first = valueOf(await addMethod(context, ours()));
      const edit = (method: Method) => editMethod(context, method.id, 1, method);
      const second = valueOf(await edit({ ...first.method, name: 'Ours, better' }));
      expect(second.version).to.equal(2);
      const late = await edit({ ...first.method, name: 'Late' });
      expect(reasonOf(late)).to.equal('changedMeanwhile');
      const names = valueOf(await methodVersionsOf(context, first.method.id)).map((m) => m.method.name);
      expect(names).to.deep.equal(['Ours, better', 'Ours']);
      expect(reasonOf(await methodVersionsOf(context, v7()))).to.equal('notFound');
      const stranger = ours();
      expect(reasonOf(await editMethod(context, stranger.id, 3, stranger))).to.equal('notFound');
    });

    it('are refused where their bounds do not rise, at the place', async () => {
      const thigh = { ...targetOf(RIGHT_ANGLE, 'thigh'), bandLo: 9 };
      const refused = await addMethod(bench.context, ours({ targets: { ...RIGHT_ANGLE.targets, thigh } }));
      expect(!refused.ok && refused.faults).to.deep.equal([
        {
          pointer: '/targets/thigh',
          detail: 'The bounds of a target must rise from first to last; 0 falls.',
        },
      ]);
    });

    it('stay with a fitting in the version it was made with', async () => {
      const { context } = bench;
      const first = valueOf(await addMethod(context, ours()));
      const sitter = valueOf(await createSitter(context, { id: v7(), name: 'A', birthDate: null }));
      const made = valueOf(await createFitting(context, { id: v7(), sitterId: sitter.id, fitterId: null }));
      const [seat] = valueOf(await allSeats(context));
      const fitting = valueOf(
        await editFitting(context, made.id, made.version, {
          seatVersionId: seat!.versionId,
          methodVersionId: first.versionId,
        }),
      );
      valueOf(await editMethod(context, first.method.id, 1, { ...first.method, name: 'Changed' }));
      const kept = valueOf(await fittingDetail(context, fitting.id));
      expect(kept.method).to.deep.equal({ versionId: first.versionId, id: first.method.id, name: 'Ours' });
      expect(kept.inputs!.method.name).to.equal('Ours');
    });
  });

  describe('the hand of a fitter', () => {
    it('is what a method that counts fingers measures with, in every open fitting at once', async () => {
      const { context } = bench;
      const [fitter] = valueOf(await allFitters(context));
      const sitter = valueOf(
        await createSitter(context, { id: v7(), name: 'Runa', birthDate: null, sex: null }),
      );
      const fitting = valueOf(
        await createFitting(context, { id: v7(), sitterId: sitter.id, fitterId: fitter!.id }),
      );
      const byFitter = valueOf(
        await addMethod(context, ours({ fingers: { lo: 3, hi: 3, whose: 'fitter' } })),
      );
      const [seat] = valueOf(await allSeats(context));
      const chosen = valueOf(
        await editFitting(context, fitting.id, fitting.version, {
          seatVersionId: seat!.versionId,
          methodVersionId: byFitter.versionId,
        }),
      );
      const roomOf = (inputs: FitInputs) => problemOf(inputs).targets.kneeRoom;
      const hand = { threeFingersMm: 61.5, fourFingersMm: 82 };
      expect(valueOf(await saveHand(context, fitter!.id, 1, hand)).hand).to.deep.equal(hand);
      const after = valueOf(await fittingDetail(context, chosen.id)).inputs!;
      expect(after.fitterHandMm).to.deep.equal({ 3: 61.5, 4: 82 });
      const late = await saveHand(context, fitter!.id, 1, hand);
      expect(reasonOf(late)).to.equal('changedMeanwhile');
      expect(late).to.have.nested.property('current.hand.threeFingersMm', 61.5);
      const none = { threeFingersMm: null, fourFingersMm: null };
      valueOf(await saveHand(context, fitter!.id, 'any', none));
      const bare = valueOf(await fittingDetail(context, chosen.id)).inputs!;
      expect(bare.fitterHandMm).to.equal(undefined);
      // Three fingers count as 50 mm where nobody measured them.
      expect(roomOf(after).bandLo! - roomOf(bare).bandLo!).to.be.closeTo(11.5, 1e-9);
      expect(reasonOf(await saveHand(context, v7(), 1, hand))).to.equal('notFound');
    });

    it('is told with the age of who sits there before any seat is chosen, as it is after', async () => {
      const { context } = bench;
      const [fitter] = valueOf(await allFitters(context));
      const hand = { threeFingersMm: 61.5, fourFingersMm: 82 };
      valueOf(await saveHand(context, fitter!.id, 'any', hand));
      const birthDate = `${context.now().getUTCFullYear() - 7}-01-01`;
      const child = valueOf(await createSitter(context, { id: v7(), name: 'Pip', birthDate }));
      const bare = valueOf(
        await createFitting(context, { id: v7(), sitterId: child.id, fitterId: fitter!.id }),
      );
      expect(bare.inputs).to.equal(null);
      expect(bare.method.id).to.equal('open-hip');
      expect(bare.people).to.deep.equal({ sitter: { ageYears: 7 }, fitterHandMm: { 3: 61.5, 4: 82 } });
      const [seat] = valueOf(await allSeats(context));
      const seated = valueOf(
        await editFitting(context, bare.id, bare.version, { seatVersionId: seat!.versionId }),
      );
      const { sitter, fitterHandMm } = seated.inputs!;
      expect({ sitter, fitterHandMm }).to.deep.equal(bare.people);
      expect(seated.people).to.deep.equal(bare.people);
      valueOf(await saveHand(context, fitter!.id, 'any', { threeFingersMm: null, fourFingersMm: null }));
    });
  });
});
