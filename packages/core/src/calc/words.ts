import { type GateAnswer, type GateQuestion, gateMet, sayNeed, tellsEnough } from '../progress/index.ts';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** A verdict by a gate in words. */
export function gateReason({ approach, hits, balls, longestRun, need }: GateQuestion, { interval, verdict }: GateAnswer): string {
  if (balls === 0) return 'No ball has counted yet.';
  const sure = `${hits} of ${balls}: somewhere between ${percent(interval[0])} and ${percent(interval[1])}.`;
  const isMet = gateMet(need, { hits, balls, longestRun });
  switch (approach) {
    case 'sweet-spot':
      if (verdict === 'tighten') return `${sure} That is too easy to learn from: a smaller target, or the next rung.`;
      if (verdict === 'loosen') return `${sure} That is too hard to learn from: a larger target, or the rung below.`;
      if (!tellsEnough(need, balls)) return `${sure} Too few balls to tell: hit the round out.`;
      return `${sure} That is where one learns: stay.`;
    case 'earn-it':
      return isMet ? `${sure} ${sayNeed(need)} is met.` : `${sure} The rung asks for ${sayNeed(need)}: again.`;
    case 'in-a-row':
      return isMet
        ? `A run of ${longestRun}: ${sayNeed(need)} is met.`
        : `The longest run is ${longestRun}; the rung asks for ${sayNeed(need)}: again.`;
    case 'coachs-eye':
      return `Form held in ${sure} Whether to climb is the coach’s call.`;
  }
}
