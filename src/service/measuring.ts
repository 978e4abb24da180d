/** Sessions in which a sitter is measured. */
import {
  done,
  refused,
  type MeasuringSession,
  type MeasuringSessionEdit,
  type Outcome,
  type OwnTolerances,
  type Repeated,
} from '../contract';
import { toleranceOf, type Tolerances } from '../core/measuring';
import { repeatabilityByFitter } from '../core/population';
import { findSession, insertSession, pairsTaken, sessionsOf, updateSession } from '../data/measuring';
import { findSitter } from '../data/sitters';
import { findTolerances, setTolerances } from '../data/practice';
import { localDate, today, write, type Context } from './context';
import { isEdited, type EditedVersion } from './edited';
import { useCase } from './rights';
import { word } from '../words';
import '../words/server';

const dateIn = (ctx: Context) => (instant: string) => localDate(new Date(instant), ctx.practice.timeZone);

/** Returns all sessions of a sitter with their readings, newest first. */
export const measuringSessions = useCase(
  'read',
  'sitter',
  async (ctx: Context, sitterId: string): Promise<Outcome<MeasuringSession[]>> => {
    if (!(await findSitter(ctx.store.db, sitterId))) return refused('notFound');
    return done(await sessionsOf(ctx.store.db, sitterId, dateIn(ctx)));
  },
);

/**
 * Begins a session, or changes what holds of it; sent twice it is done once.
 * @param version of the session that was edited; null for one that begins, or whose last change is not known
 */
export const saveMeasuringSession = useCase(
  'edit',
  'sitter',
  (ctx: Context, sitterId: string, version: EditedVersion | null, edit: MeasuringSessionEdit) =>
    write(ctx, async (q): Promise<Outcome<MeasuringSession>> => {
      if (!(await findSitter(q, sitterId))) return refused('notFound');
      const known = await findSession(q, edit.id);
      if (known && known.sitterId !== sitterId)
        return refused('invalid', {
          faults: [{ pointer: '/id', detail: word('field.sessionOfAnother') }],
        });
      const saved = async (): Promise<MeasuringSession> =>
        (await sessionsOf(q, sitterId, dateIn(ctx))).find((s) => s.id === edit.id)!;
      if (!known) {
        if (version !== null && version !== 'any') return refused('notFound');
        await insertSession(q, {
          ...edit,
          sitterId,
          takenBy: ctx.actor.fitter?.name ?? null,
          date: today(ctx),
          startedAt: ctx.now().toISOString(),
        });
        return done(await saved());
      }
      if (isSameSession(known, edit)) return done(await saved());
      if (version === null) return refused('versionMissing');
      if (!isEdited(version, known.version)) return refused('changedMeanwhile', { current: await saved() });
      await updateSession(q, edit);
      return done(await saved());
    }),
);

const isSameSession = (a: MeasuringSessionEdit, b: MeasuringSessionEdit): boolean =>
  a.shoesOn === b.shoesOn && a.clothes === b.clothes && a.notes === b.notes;

/** Returns the repeat tolerances that the practice has set for itself. */
export const tolerances = useCase('read', 'practice', async (ctx: Context) =>
  done(await findTolerances(ctx.store.db)),
);

/** Sets all of them: what is left out is as usual. */
export const saveTolerances = useCase(
  'edit',
  'practice',
  (ctx: Context, version: EditedVersion, own: Tolerances) =>
    write(ctx, async (q): Promise<Outcome<OwnTolerances>> => {
      const current = await findTolerances(q);
      if (!isEdited(version, current.version)) return refused('changedMeanwhile', { current });
      await setTolerances(q, own);
      return done(await findTolerances(q));
    }),
);

/** Returns how well each fitter's readings repeat, what repeats worst beside its tolerance first. */
export const repeatabilityOfFitters = useCase('read', 'fitter', async (ctx: Context) => {
  const { tolerances: own } = await findTolerances(ctx.store.db);
  const share = ({ dimension, tem }: Pick<Repeated, 'dimension' | 'tem'>) =>
    tem / (toleranceOf(dimension, own) / 2);
  return done(
    repeatabilityByFitter(await pairsTaken(ctx.store.db), () => NaN)
      .map(({ fitter, dimension, found: { pairs, tem } }) => ({ fitter, dimension, pairs, tem }))
      .map((one): Repeated => ({ ...one, isToPractise: share(one) > 1 }))
      .sort((a, b) => (a.fitter < b.fitter ? -1 : a.fitter > b.fitter ? 1 : share(b) - share(a))),
  );
});
