import type { BodyPart } from '../catalog/index.ts';
import type { Found, Rule } from './subject/subject.ts';

interface Figures {
  part: BodyPart;
  heightM: number;
  lowM: number;
  highM: number;
  /** Name of the ball, of several. */
  name: string | null;
}
export type Hazard = Found<'unkind' | 'height', Figures>;

/** Where the ball meets the body: outside the band of its level, or so far outside that it is unkind. */
export const rule: Rule<Hazard> = ({ heights }) => {
  const outside = heights.filter(({ word }) => word !== 'good');
  const worst = outside.find(({ word }) => word === 'unkind') ?? outside[0];
  if (!worst) return null;
  const { word, part, heightM, band, name } = worst;
  const figures = { part, heightM, lowM: band[0], highM: band[1], name: heights.length > 1 ? name : null };
  return { code: word === 'unkind' ? 'unkind' : 'height', weight: 'note', figures };
};
