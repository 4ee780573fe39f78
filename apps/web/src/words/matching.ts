import { REASON_TEXT, type Unmatched } from '@good-arc/core';

/** What of a card from elsewhere could not be matched here. */
export function sayUnmatched(unmatched: Unmatched): string {
  const said = ((): string => {
    switch (unmatched.code) {
      case 'kind': {
        const { made, machine, kind } = unmatched.figures;
        return `The card was made on a ${made}; ${machine} is a ${kind}.`;
      }
      case 'machine':
        return `The card was made on “${unmatched.figures.made}”; its dial values are those of that machine.`;
      case 'surface':
        return `${unmatched.figures.court} has another surface: the bounce will differ.`;
      case 'second': {
        const { made, machine, isFirst } = unmatched.figures;
        const what = made ? `“${made.name}”, a ${made.kind},` : 'A second machine';
        return isFirst
          ? `${what} is needed; ${machine} throws its balls, too, until there is one.`
          : `${what} is not here; ${machine} throws those balls.`;
      }
      case 'spin': {
        const { machine, wantedRpm, givenRpm } = unmatched.figures;
        return `${machine} cannot make this spin (${Math.round(wantedRpm)} rpm); it gives ${Math.round(givenRpm)} rpm.`;
      }
      case 'reach':
        return `${unmatched.figures.machine} cannot throw this ball: ${REASON_TEXT[unmatched.figures.why]} The nearest it can was put in.`;
      case 'unaimed':
        return `${unmatched.figures.machine} has no arc to this spot: aim it on the bench before it is thrown.`;
    }
  })();
  return unmatched.rung > 0 ? `Rung ${unmatched.rung}: ${said}` : said;
}
