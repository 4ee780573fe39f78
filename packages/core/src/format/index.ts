export {
  type CardMatch,
  type ClubKit,
  makeCard,
  matchCard,
  type Unmatched,
} from './card.ts';
export { type Card, cardSchema } from './card-schema.ts';
export type { Content, Contents, Format } from './format.ts';
export { writeBallList } from './formats/ball-list.ts';
export { writeCardJson } from './formats/card-json.ts';
export { writeCardLink } from './formats/card-link.ts';
export { writeCardText } from './formats/card-text.ts';
export { filesOf, readFile } from './formats/index.ts';
export { writeMachineFile } from './formats/machine-file.ts';
export { type MachineFile, machineFileSchema } from './machine-schema.ts';
export { LONGEST_FILE, type ReadResult } from './read.ts';
export { formatJsonSchemas } from './schemas.ts';
export { settingsOf } from './settings.ts';
