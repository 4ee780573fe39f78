/** What a rendering says: its text without titles of drawings and styles, each piece of white space one blank. */
export const textOf = (markup: string): string =>
  markup
    .replace(/<(title|style)[^>]*>.*?<\/\1>/gs, '')
    .replace(/<[^>]+>/g, ' ')
    .replaceAll('&#x27;', '’')
    .replaceAll('&amp;', '&')
    .replace(/\s+/g, ' ')
    .trim();
