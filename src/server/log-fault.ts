/**
 * Logs a fault of the program without what the practice keeps: statements carry names and dates as parameters, so of
 * those only the statement is logged.
 */
export function logFault(where: string, error: unknown): void {
  console.error(`${where}: ${safeText(error)}`);
}

/** What names one record in a path: ids, and the random part of a label. */
const IDS = /[0-9a-f]{8}-[0-9a-f-]{27}|(?<=\/(?:t|labels)\/)[^/]+/gi;

/** Returns a path without what names one record. */
export const withoutIds = (path: string): string => path.replace(IDS, '…');

const PARAMETERS = /\nparams: [\s\S]*$/;
const CODE_FRAMES = /^ {4}at /;

/** Returns what may be said of an error: its name, what failed without values, its code, and where. */
export function safeText(error: unknown): string {
  if (!(error instanceof Error)) return 'something that is no error was thrown';
  const { name, message, stack = '', cause } = error;
  const frames = stack.split('\n').filter((line) => CODE_FRAMES.test(line));
  const code = (error as { code?: unknown }).code ?? (cause as { code?: unknown } | undefined)?.code;
  const isStatement = message.startsWith('Failed query');
  const said = isStatement
    ? message.replace(PARAMETERS, '')
    : isOurs(error)
      ? message
      : '(message not logged)';
  return [`${name}: ${said}${typeof code === 'string' ? ` [${code}]` : ''}`, ...frames].join('\n');
}

/** Messages of our own and of the language name no person; those of the database may quote values. */
const isOurs = (error: Error): boolean =>
  !/^(?:LibsqlError|SqliteError|ZodError|DrizzleQueryError)$/.test(error.name);
