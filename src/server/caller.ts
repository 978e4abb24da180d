/** Who asks: the server around the framework has seen to signing in; the device, or a header, names the fitter. */
import type { APIContext } from 'astro';
import type { Door } from '../api/door';
import type { Caller } from '../api/dispatch';
import { fitterOf } from '../service/catalogue';
import type { Context } from '../service/context';
import { PROGRAM, UNNAMED_FITTER, VISITOR, type Actor } from '../service/rights';
import { currentContext, currentGate } from './current';
import { COOKIES, DEVICE_S, SESSION_S } from './gate';
import { DEVICE_COOKIES } from './preferences';
import { word } from '../words';
import '../words/server';

type Call = Pick<APIContext, 'cookies' | 'locals' | 'request'>;
const FITTER_HEADER = 'velto-fitter';

/** A fitter of this practice; null where nobody has this id: a device may remember one of a database that is gone. */
async function fitterNamed(context: Context, id: string | null | undefined): Promise<Actor['fitter']> {
  if (!id) return null;
  const found = await fitterOf({ ...context, actor: PROGRAM }, id);
  return found.ok ? { id: found.value.id, name: found.value.name } : null;
}

/** Returns who asks for a page. */
export async function actorOf({ cookies, locals }: Omit<Call, 'request'>): Promise<Actor> {
  if (locals.signedIn === false) return VISITOR;
  const fitter = await fitterNamed(currentContext(), cookies.get(DEVICE_COOKIES.fitter)?.value);
  return { ...UNNAMED_FITTER, fitter };
}

const COOKIE = { path: '/', httpOnly: true, sameSite: 'lax' } as const;

/** Returns the door of this request: signing in sets its cookies, signing out removes them. */
function doorOf({ cookies, locals }: Call): Door {
  const gate = currentGate();
  const secure = locals.isSecure === true;
  return {
    isLocked: gate !== null,
    signIn: async (passphrase) => {
      if (!gate) return { ok: true };
      const guesser = { address: locals.address ?? '', device: cookies.get(COOKIES.device)?.value };
      const result = await gate.signIn(guesser, passphrase);
      if ('refused' in result) {
        const { refused: reason } = result;
        return 'retryAfterS' in result
          ? { ok: false, reason, retryAfterS: result.retryAfterS }
          : { ok: false, reason };
      }
      cookies.set(COOKIES.session, result.token, { ...COOKIE, secure, maxAge: SESSION_S });
      cookies.set(COOKIES.device, result.device, { ...COOKIE, secure, maxAge: DEVICE_S });
      return { ok: true };
    },
    signOut: () => {
      gate?.end(cookies.get(COOKIES.session)?.value);
      cookies.delete(COOKIES.session, { path: '/' });
    },
  };
}

/** Returns who calls an operation. A fitter named in the header and not known is a fault of the caller's. */
export async function callerOf(asked: Call): Promise<Caller> {
  const context = currentContext();
  const named = asked.request.headers.get(FITTER_HEADER);
  const byCookie = await actorOf(asked);
  const fitter = named === null ? byCookie.fitter : await fitterNamed(context, named);
  const isVisitor = byCookie.kind === 'visitor';
  return {
    ctx: {
      ...context,
      actor: isVisitor ? VISITOR : { ...byCookie, fitter },
      address: asked.locals.address ?? null,
    },
    door: doorOf(asked),
    fault:
      !isVisitor && named !== null && fitter === null
        ? { pointer: '', detail: word('field.noFitter') }
        : null,
  };
}
