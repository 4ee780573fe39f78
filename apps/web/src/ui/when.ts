import { format } from 'date-fns/format';

/** `Tue 3 Nov, 16:40` in the viewer's own time. */
export const printMoment = (iso: string): string => format(new Date(iso), 'EEE d MMM, HH:mm');

/** `3 Nov`, in the viewer's own time. */
export const sayDay = (iso: string): string => format(new Date(iso), 'd MMM');

/** `2026-11-03T16:40`, as a field for day and time takes it, in the viewer's own time. */
export const localMoment = (iso: string): string => format(new Date(iso), "yyyy-MM-dd'T'HH:mm");
