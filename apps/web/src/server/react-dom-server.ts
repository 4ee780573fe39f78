import { renderToPipeableStream, renderToString } from 'react-dom/server.node';

/**
 * What Astro draws islands with, without React’s `renderToReadableStream`: it would be taken first, and the streams of the web that it writes to cost as much
 * as the drawing. Both wait for all of an island and put out the same.
 */
export default { renderToPipeableStream, renderToString };
