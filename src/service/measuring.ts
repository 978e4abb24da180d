/** Sessions in which a sitter is measured. */
import {
  done,
  refused,
  type MeasuringSession,
  type MeasuringSessionEdit,
  type Outcome,
  type Repeated,
} from '../contract';
import { DIMENSIONS } from '../core/body';
import { repeatabilityByFitter } from '../core/population';
import { findSession, insertSession, pairsTaken, sessionsOf, updateSession } from '../data/measuring';
import { findSitter } from '../data/sitters';
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

/** How well each fitter's readings repeat, what repeats worst beside its tolerance first. */
export async function repeatabilityOfFitters(ctx: Context): Promise<Repeated[]> {
  const share = ({ dimension, tem }: Pick<Repeated, 'dimension' | 'tem'>) =>
    tem / (DIMENSIONS[dimension].repeatTolerance / 2);
  return repeatabilityByFitter(await pairsTaken(ctx.store.db), () => NaN)
    .map(({ fitter, dimension, found: { pairs, tem } }) => ({ fitter, dimension, pairs, tem }))
    .map((one) => ({ ...one, isToPractise: share(one) > 1 }))
    .sort((a, b) => (a.fitter < b.fitter ? -1 : a.fitter > b.fitter ? 1 : share(b) - share(a)));
}
