import { defineMiddleware } from 'astro:middleware';
import { logFault, withoutIds } from '@/server/log-fault';
import { SIGN_IN, isOpenPage } from '@/server/open-pages';
import { SignInNeeded } from '@/server/sign-in-needed';

const ERROR_PAGE = '/500';

/** Around every page: nothing personal is kept by browsers, nobody sees one uninvited, and faults are logged without names. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { url, locals } = context;
  // Operations answer for themselves.
  if (url.pathname.startsWith('/api/')) return next();
  if (locals.signedIn === false && !isOpenPage(url.pathname)) return context.redirect(SIGN_IN, 303);
  try {
    const response = await next();
    response.headers.set('cache-control', 'no-store');
    return response;
  } catch (error) {
    if (error instanceof SignInNeeded) return context.redirect(SIGN_IN, 303);
    logFault(withoutIds(url.pathname), error);
    return url.pathname === ERROR_PAGE ? new Response(null, { status: 500 }) : next(ERROR_PAGE);
  }
});
