import type { APIRoute } from 'astro';
import { textOf } from '../server/body.ts';
import { database } from '../server/db.ts';
import { plainPage } from '../server/plainPage.ts';
import { redeem, SESSION_COOKIE, SESSION_SECONDS } from '../server/session.ts';
import { addressOf, secondsToWait } from '../server/tries.ts';

/** Bytes. */
const LONGEST_FORM = 4096;
const TOKEN = /^[\w-]{20,80}$/;

/** Asks before a one-time link is used: a preview of it, or a check by a mail server, uses nothing up. */
export const GET: APIRoute = ({ url }) => {
  const token = url.searchParams.get('token') ?? '';
  if (!TOKEN.test(token)) return plainPage('Not a whole link', 'Open the link again as it was given to you, to its very end.', 400);
  const button =
    'font:600 18px system-ui;min-height:48px;padding:0 20px;border:1px solid #14212e;border-radius:4px;background:#14212e;color:#fbf6ea';
  return plainPage(
    'Sign this browser in',
    `The link works once.</p><form method="post" action="/enter"><input type="hidden" name="token" value="${token}"><button style="${button}">Sign in</button></form><p>`,
  );
};

/** Turns a one-time link into a signed-in browser. */
export const POST: APIRoute = async (context) => {
  const { url, cookies, request, redirect } = context;
  const wait = await secondsToWait(addressOf(context));
  if (wait > 0) {
    const refused = plainPage('Too many tries', `Please try again in ${wait} seconds.`, 429);
    refused.headers.set('retry-after', String(wait));
    return refused;
  }
  // what is longer than any link is none
  const form = await textOf(request, LONGEST_FORM).catch(() => '');
  const token = new URLSearchParams(form).get('token') ?? '';
  const session = await redeem(database(), token);
  if (!session)
    return plainPage(
      'This link is over',
      'It was used already, a newer one was made, or it is older than an hour. The owner of the club makes another in Kit; for the owner, ./arc serve prints one each time it starts.',
      410,
    );
  cookies.set(SESSION_COOKIE, session, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    // behind a proxy the public address says so
    secure: (process.env.GOODARC_ORIGIN || url.origin).startsWith('https:'),
    maxAge: SESSION_SECONDS,
  });
  return redirect('/', 303);
};
