/** How many lines a file has that comes as a stream: nobody else can know it before it is there. */
export const LINES_HEADER = 'good-arc-lines';
