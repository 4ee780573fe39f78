// Written by ./arc from the files beside it: add a file, and it is listed.
import { format as ballList } from './ball-list.ts';
import { format as cardJson } from './card-json.ts';
import { format as cardLink } from './card-link.ts';
import { format as cardText } from './card-text.ts';
import { format as machineFile } from './machine-file.ts';

export const FORMATS = [ballList, cardJson, cardLink, cardText, machineFile];
