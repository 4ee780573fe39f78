/** What is said before a round where the air, or what the server knows of the player, asks for it, in one file. */
export { ForToday } from './ForToday.tsx';
export { HalfTarget, MachinePart } from './HalfTarget.tsx';
