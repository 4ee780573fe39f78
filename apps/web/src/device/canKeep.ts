/** When pages were kept last, as this device counts. */
export const KEPT_AT_KEY = 'good-arc-kept-at';

/** Whether this browser can keep pages at all: not over plain HTTP from another machine. */
export const canKeep = (): boolean => 'serviceWorker' in navigator && 'caches' in window;
