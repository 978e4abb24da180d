import { expect } from 'chai';
import { v7 } from 'uuid';
import { SHIPPED_METHODS, targetOf, type Method } from '../../src/core/method';
import type { Outcome } from '../../src/contract';
import { problemOf, type FitInputs } from '../../src/core/fit';
import {
  allFitters,
  allMethods,
  allSeats,
  methodVersionsOf,
  saveHand,
  saveMethod,
} from '../../src/service/catalogue';
import { createFitting, editFitting, fittingDetail } from '../../src/service/fittings';
import { createSitter } from '../../src/service/sitters';
import { openBench, type Bench } from '../support/context';
import { valueOf } from '../support/outcome';

const reasonOf = (outcome: Outcome<unknown>): string => (outcome.ok ? 'done' : outcome.reason);
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
      const shipped = await allMethods(bench.context);
      expect(shipped.map((m) => m.method.id)).to.have.members(SHIPPED_METHODS.map((m) => m.id));
      expect(shipped.every((m) => !m.isOwn && m.version === 1)).to.equal(true);
      const made = valueOf(await saveMethod(bench.context, ours({ copiedFrom: RIGHT_ANGLE.id }), null));
      expect(made).to.include({ isOwn: true, version: 1 });
      expect((await allMethods(bench.context)).map((m) => m.method.name)).to.include('Ours');
      // Asked again, the same.
      expect(valueOf(await saveMethod(bench.context, made.method, null)).versionId).to.equal(made.versionId);
    });

    it('that come with the program are not changed', async () => {
      const refused = await saveMethod(bench.context, { ...RIGHT_ANGLE, name: 'Mine' }, 1);
      expect(!refused.ok && refused.faults?.[0]?.pointer).to.equal('/id');
    });

    it('have a version for every saving, and two who save notice each other', async () => {
      const { context } = bench;
      const first = valueOf(await saveMethod(context, ours(), null));
      const second = valueOf(await saveMethod(context, { ...first.method, name: 'Ours, better' }, 1));
      expect(second.version).to.equal(2);
      const late = await saveMethod(context, { ...first.method, name: 'Late' }, 1);
      expect(reasonOf(late)).to.equal('changedMeanwhile');
      const names = valueOf(await methodVersionsOf(context, first.method.id)).map((m) => m.method.name);
      expect(names).to.deep.equal(['Ours, better', 'Ours']);
      expect(reasonOf(await methodVersionsOf(context, v7()))).to.equal('notFound');
      expect(reasonOf(await saveMethod(context, ours(), 3))).to.equal('notFound');
    });

    it('are refused where their bounds do not rise, at the place', async () => {
      const thigh = { ...targetOf(RIGHT_ANGLE, 'thigh'), bandLo: 9 };
      const refused = await saveMethod(
        bench.context,
        ours({ targets: { ...RIGHT_ANGLE.targets, thigh } }),
        null,
      );
      expect(!refused.ok && refused.faults).to.deep.equal([
        { pointer: '/targets/thigh', detail: 'The bounds of a target have to rise; 0 falls.' },
      ]);
    });

    it('stay with a fitting in the version it was made with', async () => {
      const { context } = bench;
      const first = valueOf(await saveMethod(context, ours(), null));
      const sitter = valueOf(await createSitter(context, { id: v7(), name: 'A', birthDate: null }));
      const made = valueOf(await createFitting(context, { id: v7(), sitterId: sitter.id, fitterId: null }));
      const [seat] = await allSeats(context);
      const fitting = valueOf(
        await editFitting(context, made.id, made.version, {
          seatVersionId: seat!.versionId,
          methodVersionId: first.versionId,
        }),
      );
      valueOf(await saveMethod(context, { ...first.method, name: 'Changed' }, 1));
      const kept = valueOf(await fittingDetail(context, fitting.id));
      expect(kept.method).to.deep.equal({ versionId: first.versionId, name: 'Ours' });
      expect(kept.inputs!.method.name).to.equal('Ours');
    });
  });

  describe('the hand of a fitter', () => {
    it('is what a method that counts fingers measures with, in every open fitting at once', async () => {
      const { context } = bench;
      const [fitter] = await allFitters(context);
      const sitter = valueOf(
        await createSitter(context, { id: v7(), name: 'Runa', birthDate: null, sex: null }),
      );
      const fitting = valueOf(
        await createFitting(context, { id: v7(), sitterId: sitter.id, fitterId: fitter!.id }),
      );
      const byFitter = (await allMethods(context)).find((m) => m.method.fingers?.whose === 'fitter')!;
      const [seat] = await allSeats(context);
      const chosen = valueOf(
        await editFitting(context, fitting.id, fitting.version, {
          seatVersionId: seat!.versionId,
          methodVersionId: byFitter.versionId,
        }),
      );
      const roomOf = (inputs: FitInputs) => problemOf(inputs).targets.kneeRoom;
      const hand = { threeFingersMm: 61.5, fourFingersMm: 82 };
      expect(valueOf(await saveHand(context, fitter!.id, hand)).hand).to.deep.equal(hand);
      const after = valueOf(await fittingDetail(context, chosen.id)).inputs!;
      expect(after.fitterHandMm).to.deep.equal({ 3: 61.5, 4: 82 });
      const none = { threeFingersMm: null, fourFingersMm: null };
      valueOf(await saveHand(context, fitter!.id, none));
      const bare = valueOf(await fittingDetail(context, chosen.id)).inputs!;
      expect(bare.fitterHandMm).to.equal(undefined);
      // Three fingers count as 50 mm where nobody measured them.
      expect(roomOf(after).bandLo! - roomOf(bare).bandLo!).to.be.closeTo(11.5, 1e-9);
      expect(reasonOf(await saveHand(context, v7(), hand))).to.equal('notFound');
    });
  });
});
