import { setCurrent } from './current';
import { openContext } from './open';

/** For `astro dev`, which has no start hook of its own. */
export async function openForDevelopment(): Promise<void> {
  const { context } = await openContext({ dataFolder: process.env.VELTO_DATA ?? 'var', demo: true });
  setCurrent(context, null);
}
