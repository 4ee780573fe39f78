/** Whether this server itself runs, whatever its database does: the proxy before several of them asks. */
export const GET = (): Response => new Response(null, { status: 204 });
