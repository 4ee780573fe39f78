/** What is said before a round where the air, or what the server knows of the player, asks for it, and what is set seldom, in one file. */
export { ChecksForm } from './ChecksForm.tsx';
export { CourtUntil } from './CourtUntil.tsx';
export { ForToday } from './ForToday.tsx';
export { HalfTarget, MachinePart } from './HalfTarget.tsx';
export { RefillOrFault } from './RefillOrFault.tsx';
export { SecretSpeeds } from './SecretSpeeds.tsx';
export { SignalFields } from './SignalFields.tsx';
