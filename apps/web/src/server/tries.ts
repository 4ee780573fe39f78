import type { APIContext } from 'astro';
import { RateLimiterMemory, RateLimiterRedis } from 'rate-limiter-flexible';
import { redisAt } from './broker.ts';

/** Proxies of ours before the server: so many addresses at the end of the list are believed. */
const hops = (): number => Math.max(0, Math.trunc(Number(process.env.GOODARC_HOPS ?? 0)) || 0);

/** Who asks: the address that the outermost proxy of ours saw, else the one that is connected. */
export function addressOf({ request, clientAddress }: Pick<APIContext, 'request' | 'clientAddress'>): string {
  const seen = (request.headers.get('x-forwarded-for') ?? '').split(',').map((each) => each.trim());
  return (hops() > 0 && seen.at(-hops())) || clientAddress;
}

/** Ten links a minute from one address: a person needs one. */
const TRIES = { points: 10, duration: 60 };
const { GOODARC_BROKER } = process.env;
/** Counted by all servers together where they have a broker; while it is away, by each. */
const signIns = GOODARC_BROKER
  ? new RateLimiterRedis({
      ...TRIES,
      keyPrefix: 'good-arc:sign-in',
      storeClient: redisAt(GOODARC_BROKER),
      insuranceLimiter: new RateLimiterMemory(TRIES),
    })
  : new RateLimiterMemory(TRIES);

/** @returns seconds to wait; 0 when this try may go on */
export async function secondsToWait(address: string): Promise<number> {
  try {
    await signIns.consume(address);
    return 0;
  } catch (refused) {
    return Math.ceil((refused as { msBeforeNext: number }).msBeforeNext / 1000);
  }
}
