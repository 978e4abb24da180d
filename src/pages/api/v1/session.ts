import { PassphraseSchema, done, refused } from '@/contract';
import { currentGate } from '@/server/current';
import { SESSION_COOKIE, SESSION_S } from '@/server/gate';
import { endpoint } from '@/server/http';

const COOKIE = { path: '/', httpOnly: true, sameSite: 'lax' } as const;

export const POST = endpoint(
  { act: 'create', record: 'session', body: PassphraseSchema },
  async ({ body, api }) => {
    const gate = currentGate();
    if (!gate) return done({ open: true });
    const result = await gate.signIn(api.clientAddress, body.passphrase);
    if ('refused' in result) return refused(result.refused);
    api.cookies.set(SESSION_COOKIE, result.token, {
      ...COOKIE,
      maxAge: SESSION_S,
      secure: api.url.protocol === 'https:',
    });
    return done({ open: true });
  },
);

export const DELETE = endpoint({ act: 'delete', record: 'session' }, ({ api }) => {
  currentGate()?.end(api.cookies.get(SESSION_COOKIE)?.value);
  api.cookies.delete(SESSION_COOKIE, { path: '/' });
  return done({ open: false });
});
