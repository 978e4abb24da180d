/** Sessions in which a sitter is measured. */
import {
  done,
  refused,
  type MeasuringSession,
  type MeasuringSessionEdit,
  type Outcome,
  type Repeated,
} from '../contract';
import { toleranceOf, type Tolerances } from '../core/measuring';
import { repeatabilityByFitter } from '../core/population';
import { findSession, insertSession, pairsTaken, sessionsOf, updateSession } from '../data/measuring';
import { findSitter } from '../data/sitters';
import { findTolerances, setTolerances } from '../data/tables';
import { localDate, today, write, type Context } from './context';

/** All sessions of a sitter with their readings, newest first. */
export async function measuringSessions(
  ctx: Context,
  sitterId: string,
): Promise<Outcome<MeasuringSession[]>> {
  if (!(await findSitter(ctx.store.db, sitterId))) return refused('notFound');
  return done(
    await sessionsOf(ctx.store.db, sitterId, (instant) =>
      localDate(new Date(instant), ctx.practice.timeZone),
    ),
  );
}

/** Begins a session, or changes what holds of it; sent twice it is done once. */
export async function saveMeasuringSession(
  ctx: Context,
  sitterId: string,
  edit: MeasuringSessionEdit,
  takenBy: string | null,
): Promise<Outcome<MeasuringSession>> {
  return write(ctx, async (q) => {
    if (!(await findSitter(q, sitterId))) return refused('notFound');
    const known = await findSession(q, edit.id);
    if (known && known.sitterId !== sitterId)
      return refused('invalid', {
        faults: [{ pointer: '/id', detail: 'It is a session of somebody else.' }],
      });
    if (known) await updateSession(q, edit);
    else
      await insertSession(q, {
        ...edit,
        sitterId,
        takenBy,
        date: today(ctx),
        startedAt: ctx.now().toISOString(),
      });
    const saved = (
      await sessionsOf(q, sitterId, (instant) => localDate(new Date(instant), ctx.practice.timeZone))
    ).find((s) => s.id === edit.id);
    return done(saved!);
  });
}

/** Repeat tolerances that the practice has set for itself. */
export const tolerances = (ctx: Context): Promise<Tolerances> => findTolerances(ctx.store.db);

/** Sets all of them: what is left out is as usual. */
export const saveTolerances = (ctx: Context, own: Tolerances): Promise<Outcome<Tolerances>> =>
  write(ctx, async (q) => {
    await setTolerances(q, own);
    return done(own);
  });

/** How well each fitter's readings repeat, what repeats worst beside its tolerance first. */
export async function repeatabilityOfFitters(ctx: Context): Promise<Repeated[]> {
  const own = await tolerances(ctx);
  const share = ({ dimension, tem }: Pick<Repeated, 'dimension' | 'tem'>) =>
    tem / (toleranceOf(dimension, own) / 2);
  return repeatabilityByFitter(await pairsTaken(ctx.store.db), () => NaN)
    .map(({ fitter, dimension, found: { pairs, tem } }) => ({ fitter, dimension, pairs, tem }))
    .map((one) => ({ ...one, isToPractise: share(one) > 1 }))
    .sort((a, b) => (a.fitter < b.fitter ? -1 : a.fitter > b.fitter ? 1 : share(b) - share(a)));
}
