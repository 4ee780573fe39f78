// Written by ./arc from the files beside it: add a file, and it is listed.
/** Id of a sport: the name of its folder. */
export type Sport = 'baseball' | 'pickleball' | 'softball' | 'tennis';
