/** A page without scripts, for before somebody is signed in and while nothing else works. @param text HTML of our own */
export const plainPage = (title: string, text: string, status = 200, head = ''): Response =>
  new Response(
    `<!doctype html><html lang="${import.meta.env.LANGUAGE}"><meta charset="utf-8"><meta name="viewport" content="width=device-width">${head}<title>${title} · Good Arc</title><body style="font:18px/1.5 system-ui;background:#fbf6ea;color:#14212e;margin:12vh auto;max-width:34rem;padding:0 1rem"><h1>${title}</h1><p>${text}</p></body></html>`,
    {
      status,
      headers: {
        'content-type': 'text/html; charset=utf-8',
        'content-security-policy':
          "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
      },
    },
  );
