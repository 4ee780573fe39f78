import type { APIContext } from 'astro';
import { RateLimiterMemory } from 'rate-limiter-flexible';

/** Proxies of ours before the server: so many addresses at the end of the list are believed. */
const hops = (): number => Math.max(0, Math.trunc(Number(process.env.GOODARC_HOPS ?? 0)) || 0);

/** Who asks: the address that the outermost proxy of ours saw, else the one that is connected. */
export function addressOf({ request, clientAddress }: Pick<APIContext, 'request' | 'clientAddress'>): string {
  const seen = (request.headers.get('x-forwarded-for') ?? '').split(',').map((each) => each.trim());
  return (hops() > 0 && seen.at(-hops())) || clientAddress;
}

/** Ten links a minute from one address: a person needs one. */
const signIns = new RateLimiterMemory({ points: 10, duration: 60 });

/** @returns seconds to wait; 0 when this try may go on */
export async function secondsToWait(address: string): Promise<number> {
  try {
    await signIns.consume(address);
    return 0;
  } catch (refused) {
    return Math.ceil((refused as { msBeforeNext: number }).msBeforeNext / 1000);
  }
}
