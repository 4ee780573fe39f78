// what any page may be asked for, in one file that comes when it is
export { Finder } from './Finder.tsx';
export { KeyTable } from './KeyTable.tsx';
