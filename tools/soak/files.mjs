const JUNK = ['', '\u0000', '\ud800', '"', '{', ']', ',', '=', '\n', '9e999', '-', 'ß', '#', 'null'];

/** A text with one to three things wrong: cut, a piece lost, something put in. @param {string} text @param {() => number} random */
function spoilt(text, random) {
  let now = text;
  for (let times = 1 + Math.floor(3 * random()); times > 0; times--) {
    const at = Math.floor(random() * (now.length + 1));
    const how = random();
    if (how < 0.15) now = now.slice(0, at);
    else if (how < 0.5) now = now.slice(0, at) + now.slice(at + 1 + Math.floor(random() * 30));
    else now = now.slice(0, at) + (JUNK[Math.floor(random() * JUNK.length)] ?? '') + now.slice(at);
  }
  return now;
}

/**
 * Seeded bad files of every kind: each is taken, or refused with what is wrong and where; none is an exception.
 * @param {ReturnType<typeof import('./phone.ts').filesToRead>} files @param {number} each @param {() => number} random
 */
export function badFiles(files, each, random) {
  // the reader of CSV says so of every header that comes twice
  const { warn } = console;
  console.warn = () => {};
  const sum = { asked: 0, refused: 0, crashed: 0, unclear: 0, examples: /** @type {string[]} */ ([]) };
  for (const { name, text, read } of files) {
    if (read(text).length > 0) sum.examples.push(`${name}: a good one is refused: ${read(text)[0]}`);
    for (let i = 0; i < each; i++) {
      const bad = spoilt(text, random);
      sum.asked++;
      try {
        const problems = read(bad);
        if (problems.length > 0) sum.refused++;
        const unclear = problems.find((problem) => problem.trim().length < 8);
        if (unclear === undefined) continue;
        sum.unclear++;
        sum.examples.push(`unclear ${name}: ${unclear}`);
      } catch (error) {
        sum.crashed++;
        sum.examples.push(`${name}: ${String(error).slice(0, 200)}`);
      }
    }
  }
  console.warn = warn;
  return sum;
}
