/** All tables: of a club and its kit, and of what is played. */
export * from './club.ts';
export * from './logbook.ts';
