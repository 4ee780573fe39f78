import ts from 'typescript';

/**
 * Finds what people read in the sources of the views, so that a language is one file and no source has to name its texts twice. A text is what stands between
 * tags, a sentence or a name in quotes, and a word that is put into either; a code (a literal where the types know which ones there are) is none.
 * @typedef {{ start: number, end: number, message: string, kind: 'string' | 'attribute' | 'template' | 'children', parts: readonly Part[] }} Said
 * @typedef {{ start: number, end: number, codes: readonly string[], kind: 'codes' }} Codes where one of them is put into a text as it is
 * @typedef {Said | Codes} Text
 * @typedef {{ start: number, end: number }} Part what stands for {0}, {1} … in the message
 */

/** Attributes and properties that hold addresses, looks and codes. */
const NO_TEXT =
  /^(className|class|style|look|size|href|src|d|id|htmlFor|key|type|role|transform|fill|stroke|strokeDasharray|viewBox|points|fontFamily|autoComplete|inputMode|aria-(keyshortcuts|labelledby|describedby|controls)|code|kind|method|op|path|pointer|gridTemplate\w*|rel|target|textAnchor)$/;
/** What is told to programs. */
const TO_PROGRAMS =
  /^(log\.\w+|console\.\w+|Error|TypeError|RangeError|Symbol(\.for)?|RegExp|URL|fetch|sql(\.raw)?|import|require)$|\.(query|execute|querySelector(All)?|closest|matches|addEventListener|removeEventListener|getElementById|createElement|setAttribute|getAttribute|removeAttribute|getItem|setItem|removeItem|mark|measure|split|startsWith|endsWith|includes|indexOf|replace|replaceAll|eval|call|defineCommand|append|set|get|has|delete)$|^matchMedia$|^createHash$/;
/** Elements that begin a line of their own: at the end of a sentence they do not belong to it. */
const BLOCKS = new Set(
  'div ul ol li p section article header footer nav main table thead tbody tr td th h1 h2 h3 h4 form fieldset label input select textarea button details summary figure svg g dl dt dd hr'.split(
    ' ',
  ),
);

/** More of them are ids. */
const MOST_CODES = 40;

const hasWord = (/** @type {string} */ text) => /\p{L}{2}/u.test(text);

/** Words in one line; no style, address or query. @param {string} text */
const isLine = (text) => hasWord(text) && !/\n|[{}=]|^[./#?&@]|^\([a-z-]+: ?\w+\)$|^\w+:\/\/|^[a-z-]+: ?[^ ;]+;/.test(text);

/** Whether quoted text reads like a sentence or a name, rather than like a class, an address, a key or a code. @param {string} text */
function readsLikeText(text) {
  const line = text.trim();
  if (!isLine(line)) return false;
  const words = line.split(/\s+/);
  if (words.length === 1) return /^\p{Lu}\p{Ll}/u.test(line) && /^[\p{L}’'-]+[.…:?!]?$/u.test(line) && !KEYS.test(line);
  // a list of classes, of SVG's commands or of a style's values
  if (
    words.every((word) => /^[a-z0-9:[\]().,%/_#!&>-]+$/.test(word)) &&
    words.some((word) => /[a-z]-[a-z0-9[]|:.|\d(px|rem|em|fr)\b/.test(word))
  )
    return false;
  // a statement for the database
  if (/^[A-Z]{3,}[ (]/.test(line) && /[A-Z]{4,}/.test(line)) return false;
  return !/^(translate|rotate|scale|matrix|url|rgba?|hsla?|var|calc|minmax|repeat)\(/.test(line) && !/\b(px|rem|mm) |\bpx$/.test(line);
}
const KEYS = /^(Enter|Escape|Tab|Space|Home|End|Delete|Backspace|Shift|Control|Alt|Meta|Arrow\w+|Page(Up|Down))$/;

/** Texts of sources, told from codes by their types. */
export class Texts {
  /**
   * @param {ts.TypeChecker | null} checker none where the types are not known
   * @param {ReadonlySet<string>} codes as `codesIn` finds them
   */
  constructor(checker, codes) {
    this.checker = checker;
    this.codes = codes;
  }

  /** @param {ts.SourceFile} file @returns {Text[]} by where they stand; what a text holds comes after it */
  in(file) {
    /** @type {Text[]} */
    const found = [];
    const visit = (/** @type {ts.Node} */ node) => {
      if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || ts.isExportDeclaration(node)) return;
      const text = this.of(node);
      if (text) found.push(text);
      ts.forEachChild(node, visit);
    };
    visit(file);
    return found.sort((a, b) => a.start - b.start || b.end - a.end);
  }

  /** @param {ts.Node} node @returns {Text | null} */
  of(node) {
    if (ts.isJsxElement(node) || ts.isJsxFragment(node)) return childrenOf(node);
    if (ts.isTemplateExpression(node)) {
      if (ts.isTaggedTemplateExpression(node.parent) || !this.isTemplateText(node)) return null;
      return { ...at(node), ...templateOf(node), kind: 'template' };
    }
    if (!ts.isStringLiteral(node) && !ts.isNoSubstitutionTemplateLiteral(node)) return this.codesAt(node);
    if (ts.isTaggedTemplateExpression(node.parent) || !this.isStringText(node)) return null;
    return { ...at(node), message: node.text, parts: [], kind: ts.isJsxAttribute(node.parent) ? 'attribute' : 'string' };
  }

  /** @param {ts.Node} node @returns {Codes | null} */
  codesAt(node) {
    if (
      !this.checker ||
      !(ts.isIdentifier(node) || ts.isPropertyAccessExpression(node) || ts.isCallExpression(node)) ||
      !(this.isPrinted(node) || isPut(node))
    )
      return null;
    const type = this.checker.getTypeAtLocation(node);
    const kinds = type.isUnion() ? type.types : [type];
    const codes = kinds.flatMap((each) => (each.isStringLiteral() ? [each.value] : []));
    const isOnlyCodes = kinds.every((each) => each.isStringLiteral() || (each.flags & (ts.TypeFlags.Undefined | ts.TypeFlags.Null)) !== 0);
    return isOnlyCodes && codes.some(hasWord) && codes.length <= MOST_CODES ? { ...at(node), codes, kind: 'codes' } : null;
  }

  /** @param {ts.TemplateExpression} node */
  isTemplateText(node) {
    const literals = [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)];
    const printed = this.isPrinted(node) || isReadAttribute(node) || isNameInPair(node);
    if (isForPrograms(node) || (!printed && this.isCode(node))) return false;
    const plain = literals.join(' 0 ');
    if (!isLine(plain)) return false;
    return printed ? !/^\w+\(/.test(plain) : readsLikeText(literals.join('0')) && /\s|^\p{Lu}/u.test(literals.join(''));
  }

  /** @param {ts.StringLiteral | ts.NoSubstitutionTemplateLiteral} node */
  isStringText(node) {
    if (!hasWord(node.text) || node.text.includes('\n') || isNoValue(node) || isForPrograms(node)) return false;
    if (this.isPrinted(node) || isNameInPair(node)) return !/^[a-z]+(-[a-z0-9]+)+$/.test(node.text) || readsLikeText(node.text);
    if (this.isCode(node)) return false;
    return isReadAttribute(node) || (!this.codes.has(node.text) && readsLikeText(node.text));
  }

  /** A literal where the types know which ones there may be. @param {ts.Expression} node */
  isCode(node) {
    const type = this.checker?.getContextualType(node);
    if (!type) return false;
    const kinds = type.isUnion() ? type.types : [type];
    return kinds.some((each) => each.isStringLiteral()) && !kinds.some(({ flags }) => (flags & ts.TypeFlags.String) !== 0);
  }

  /** Put into a text as it stands: between tags, or into a sentence. @param {ts.Expression} node @returns {boolean} */
  isPrinted(node) {
    let child = /** @type {ts.Node} */ (node);
    let up = node.parent;
    for (; isChoice(up, child); up = up.parent) child = up;
    if (ts.isJsxExpression(up)) return ts.isJsxElement(up.parent) || ts.isJsxFragment(up.parent);
    return ts.isTemplateSpan(up) && !ts.isTaggedTemplateExpression(up.parent.parent) && this.isTemplateText(up.parent);
  }
}

/**
 * What sources know as a code somewhere: in a type, a list that is one, a comparison.
 * @param {readonly ts.SourceFile[]} files @returns {Set<string>}
 */
export function codesIn(files) {
  /** @type {Set<string>} */
  const codes = new Set();
  const visit = (/** @type {ts.Node} */ node) => {
    if ((ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) && isKnown(node)) codes.add(node.text);
    ts.forEachChild(node, visit);
  };
  files.forEach(visit);
  return codes;
}

/** @param {ts.Node} node */
function isKnown(node) {
  const { parent } = node;
  if (ts.isLiteralTypeNode(parent) || ts.isCaseClause(parent) || isCompared(node)) return true;
  if (!ts.isArrayLiteralExpression(parent)) return false;
  const { parent: up } = parent;
  // a pair of a code and its name stands in a list of such pairs
  if (ts.isAsExpression(up)) return up.type.getText() === 'const' && !ts.isArrayLiteralExpression(up.parent);
  return ts.isCallExpression(up) && /\.(enum|exclude|extract)$/.test(up.expression.getText());
}

/** @param {ts.Node} node */
const isCompared = ({ parent }) => ts.isBinaryExpression(parent) && /^[!=]==?$|^in$/.test(parent.operatorToken.getText());

/** One of several values that an expression may come to. @param {ts.Node} up @param {ts.Node} child */
function isChoice(up, child) {
  if (ts.isParenthesizedExpression(up)) return true;
  if (ts.isConditionalExpression(up)) return up.condition !== child;
  return (
    ts.isBinaryExpression(up) &&
    [ts.SyntaxKind.AmpersandAmpersandToken, ts.SyntaxKind.BarBarToken, ts.SyntaxKind.QuestionQuestionToken].includes(
      up.operatorToken.kind,
    ) &&
    (up.right === child || up.operatorToken.kind !== ts.SyntaxKind.AmpersandAmpersandToken)
  );
}

/** The name beside a code, in a list of such pairs. @param {ts.Node} node */
function isNameInPair(node) {
  const { parent } = node;
  if (!ts.isArrayLiteralExpression(parent) || parent.elements.length !== 2 || parent.elements[1] !== node) return false;
  return ts.isArrayLiteralExpression(ts.isAsExpression(parent.parent) ? parent.parent.parent : parent.parent);
}

/** A code that is its own name in a list of such pairs, or stands between other words. @param {ts.Node} node */
function isPut(node) {
  const { parent } = node;
  if (ts.isArrayLiteralExpression(parent))
    return parent.elements.length === 2 && parent.elements[1] === node && parent.elements[0]?.getText() === node.getText();
  if (!ts.isTemplateSpan(parent) || ts.isTaggedTemplateExpression(parent.parent.parent) || isForPrograms(parent.parent)) return false;
  const { head, templateSpans } = parent.parent;
  return /[(,·] *$/.test([head.text, ...templateSpans.map(({ literal }) => literal.text)][templateSpans.indexOf(parent)] ?? '');
}

const at = (/** @type {ts.Node} */ node) => ({ start: node.getStart(), end: node.end });

/** A name, a key, something compared with. @param {ts.Node} node */
function isNoValue(node) {
  const { parent } = node;
  if (ts.isPropertyAssignment(parent) && parent.name === node) return true;
  return (
    isCompared(node) ||
    ts.isElementAccessExpression(parent) ||
    ts.isCaseClause(parent) ||
    ts.isLiteralTypeNode(parent) ||
    ts.isExternalModuleReference(parent) ||
    (ts.isExpressionStatement(parent) && ts.isStringLiteral(node))
  );
}

/** @param {ts.Node} node */
const nameOf = (node) => node.getText().replace(/^['"]|['"]$/g, '');

/** In an attribute, a property or a call that people never read. @param {ts.Node} node @returns {boolean} */
function isForPrograms(node) {
  for (let [child, up] = [node, node.parent]; up && !ts.isStatement(up); [child, up] = [up, up.parent]) {
    // what is done within a function of an attribute or an argument is another matter
    if (ts.isFunctionLike(up) || ts.isJsxElement(up) || ts.isJsxFragment(up)) return false;
    if (ts.isJsxAttribute(up)) return NO_TEXT.test(nameOf(up.name));
    if (ts.isPropertyAssignment(up) && up.name !== child && (NO_TEXT.test(nameOf(up.name)) || HEADER.test(nameOf(up.name)))) return true;
    if (
      (ts.isCallExpression(up) || ts.isNewExpression(up)) &&
      up.expression !== child &&
      TO_PROGRAMS.test(up.expression.getText().replace(/\?/g, ''))
    )
      return true;
  }
  return false;
}

const HEADER = /^(accept|cache|content|cross|etag|retry|sec|x)-/;
const READ = /^(aria-label|alt|title|label|placeholder|hint|about|says|unit|what)$/;
/** In an attribute or a property that is always read. @param {ts.Node} node @returns {boolean} */
function isReadAttribute(node) {
  let child = node;
  let up = node.parent;
  for (; isChoice(up, child); up = up.parent) child = up;
  if (ts.isJsxExpression(up)) up = up.parent;
  if (ts.isPropertyAssignment(up)) return up.initializer === child && /^(label|says|shows)$/.test(nameOf(up.name));
  return ts.isJsxAttribute(up) && READ.test(nameOf(up.name));
}

/** @param {ts.TemplateExpression} node */
function templateOf(node) {
  const message = node.head.text + node.templateSpans.map(({ literal }, i) => `{${i}}${literal.text}`).join('');
  return { message, parts: node.templateSpans.map(({ expression }) => ({ start: expression.getStart(), end: expression.end })) };
}

/** Text between tags as React puts it out. @param {ts.JsxText} node */
function cooked(node) {
  const lines = node.text.split('\n');
  return lines
    .map((line, i) => {
      const from = i === 0 ? line : line.trimStart();
      return i === lines.length - 1 ? from : from.trimEnd();
    })
    .filter((line) => line !== '')
    .join(' ')
    .replace(/&nbsp;/g, '\u00a0')
    .replace(/&amp;/g, '&');
}

/** A piece of what stands between two tags: its words, or something that is put in. @typedef {{ node: ts.JsxChild, words: string | null }} Piece */

/** @param {ts.JsxElement | ts.JsxFragment} element @returns {Text | null} */
function childrenOf(element) {
  /** @type {Piece[]} */
  const pieces = [];
  for (const node of element.children) {
    if (ts.isJsxText(node)) {
      const words = cooked(node);
      if (words !== '') pieces.push({ node, words });
    } else if (ts.isJsxExpression(node)) {
      if (!node.expression) continue;
      const words = ts.isStringLiteral(node.expression) ? node.expression.text : null;
      pieces.push({ node, words });
    } else pieces.push({ node, words: null });
  }
  while (pieces.length > 0 && standsAlone(pieces[0])) pieces.shift();
  while (pieces.length > 0 && standsAlone(pieces.at(-1))) pieces.pop();
  const [first, last] = [pieces[0], pieces.at(-1)];
  if (!first || !last || !pieces.some(({ words }) => words !== null && hasWord(words))) return null;
  const parts = pieces.filter(({ words }) => words === null).map(({ node }) => ({ start: node.getStart(), end: node.end }));
  let count = 0;
  const message = pieces.map(({ words }) => words ?? `{${count++}}`).join('');
  return { start: first.node.getFullStart(), end: last.node.end, message, parts, kind: 'children' };
}

/** At either end of a text it is no part of the sentence. @param {Piece | undefined} piece */
function standsAlone(piece) {
  if (!piece) return false;
  const { node, words } = piece;
  if (words !== null) return words.trim() === '';
  if (ts.isJsxExpression(node)) return holdsBlock(node);
  const tag = ts.isJsxElement(node)
    ? node.openingElement.tagName.getText()
    : ts.isJsxSelfClosingElement(node)
      ? node.tagName.getText()
      : '';
  return tag === '' || BLOCKS.has(tag) || (/^[A-Z]/.test(tag) && tag !== 'Moment');
}

/** @param {ts.Node} node @returns {boolean} */
function holdsBlock(node) {
  if (ts.isJsxElement(node) || ts.isJsxSelfClosingElement(node) || ts.isJsxFragment(node)) return true;
  return ts.forEachChild(node, holdsBlock) ?? false;
}
