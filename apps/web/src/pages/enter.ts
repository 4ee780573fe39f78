import type { APIRoute } from 'astro';
import { database } from '../server/db.ts';
import { redeem, SESSION_COOKIE, SESSION_SECONDS } from '../server/session.ts';

/** Turns a one-time link into a signed-in browser. */
export const GET: APIRoute = async ({ url, cookies, redirect }) => {
  const session = await redeem(database(), url.searchParams.get('token') ?? '');
  if (!session)
    return new Response('This link was used already, or is over. ./arc serve prints a new one each time it starts.', { status: 410 });
  cookies.set(SESSION_COOKIE, session, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    // behind a proxy the public address says so
    secure: (process.env.GOODARC_ORIGIN || url.origin).startsWith('https:'),
    maxAge: SESSION_SECONDS,
  });
  return redirect('/');
};
