/** First answers by key, so that a request sent twice does its work once. */
import { LibsqlError, type InStatement } from '@libsql/client';
import { eq, lt, sql } from 'drizzle-orm';
import type { Outcome } from '../contract';
import type { Queries } from './client';
import { answers } from './schema';

export interface FirstAnswer {
  readonly fingerprint: string;
  readonly outcome: Outcome<unknown>;
}

export async function findAnswer(q: Queries, key: string): Promise<FirstAnswer | null> {
  const [row] = await q.select().from(answers).where(eq(answers.key, key));
  // Written by `insertAnswer` only.
  return row ? { fingerprint: row.fingerprint, outcome: row.outcome as Outcome<unknown> } : null;
}

/** @returns false where the key has an answer already, which stays */
export async function insertAnswer(
  q: Queries,
  key: string,
  answer: FirstAnswer,
  at: string,
): Promise<boolean> {
  const { rowsAffected } = await q
    .insert(answers)
    .values({ key, ...answer, givenAt: at })
    .onConflictDoNothing();
  return rowsAffected === 1;
}

/** A ready statement that keeps an answer if the statement before it changed something. */
export const keepIfChanged = (key: string, answer: FirstAnswer, at: string): InStatement => ({
  sql: `insert into answers (key, fingerprint, outcome, given_at) select ?, ?, ?, ? where changes() = 1`,
  args: [key, answer.fingerprint, JSON.stringify(answer.outcome), at],
});

/** Whether a ready statement failed because the key has an answer already. */
export const isKeyUsed = (error: unknown): boolean =>
  error instanceof LibsqlError && error.extendedCode === 'SQLITE_CONSTRAINT_PRIMARYKEY';

/** Forgets answers given before an instant. */
export async function forgetAnswersBefore(q: Queries, instant: string): Promise<void> {
  await q.delete(answers).where(lt(answers.givenAt, instant));
}

/** Forgets every answer in which this id occurs: what is erased must not live on in an answer. */
export async function forgetAnswersAbout(q: Queries, id: string): Promise<void> {
  await q.delete(answers).where(sql`instr(${answers.outcome}, ${id}) > 0`);
}
