/** A paper a card is printed on. The room for one card is within the margins; the type size is what fits most cards. */
export interface PaperSheet {
  name: string;
  /** For `@page`. */
  size: string;
  marginMm: number;
  copies: 1 | 2;
  widthMm: number;
  heightMm: number;
  typePt: number;
}

const GAP_MM = 8;

function sheet(name: string, size: string, [width, height]: readonly [number, number], typePt: number, marginMm = 11): PaperSheet {
  return { name, size, marginMm, copies: 1, widthMm: width - 2 * marginMm, heightMm: height - 2 * marginMm, typePt };
}

function two(name: string, size: string, [width, height]: readonly [number, number]): PaperSheet {
  const whole = sheet(name, size, [width, height], 7.6);
  return { ...whole, copies: 2, widthMm: (whole.widthMm - GAP_MM) / 2 };
}

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;

export const PAPERS = {
  a4: sheet('A4', 'A4 portrait', A4, 11),
  letter: sheet('Letter', 'letter portrait', LETTER, 11),
  'a4-two': two('A4, two to a page', 'A4 landscape', [A4[1], A4[0]]),
  'letter-two': two('Letter, two to a page', 'letter landscape', [LETTER[1], LETTER[0]]),
  pocket: sheet('pocket (A6)', '105mm 148mm', [105, 148], 6.6, 6),
} as const;
export type Paper = keyof typeof PAPERS;
