export { readBallList, writeBallList } from './ball-list.ts';
export {
  type Card,
  type CardMatch,
  type ClubKit,
  cardSchema,
  makeCard,
  matchCard,
  readCard,
  settingsOf,
  type Unmatched,
  writeCardJson,
  writeCardText,
} from './card.ts';
export { type MachineFile, machineFileSchema, readMachineFile, writeMachineFile } from './machine-file.ts';
export { LONGEST_FILE, type ReadResult } from './read.ts';
export { formatJsonSchemas } from './schemas.ts';
