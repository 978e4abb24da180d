/** Sessions in which a sitter is measured. */
import { done, refused, type MeasuringSession, type MeasuringSessionEdit, type Outcome } from '../contract';
import { findSession, insertSession, sessionsOf, updateSession } from '../data/measuring';
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
