import { printMoment } from './when.ts';

/** A moment in the viewer's own time. The server draws it in its own; `Page` says it again in that of the device. */
export const Moment = ({ iso }: { iso: string }) => (
  <time dateTime={iso} data-moment="" suppressHydrationWarning>
    {printMoment(iso)}
  </time>
);
