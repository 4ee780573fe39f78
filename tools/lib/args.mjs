import { Stop } from './say.mjs';

/** The number after an option; the usual one where it is not given. @throws Stop for what is no number above nought. @param {string[]} args @param {string} name @param {number} usual */
export function numberOf(args, name, usual) {
  if (!args.includes(name)) return usual;
  const value = Number(args[args.indexOf(name) + 1]);
  if (!Number.isFinite(value) || value <= 0) throw new Stop(`${name} needs a number above nought, such as ${usual}.`);
  return value;
}
