export * from './aim/index.ts';
export * from './bench/index.ts';
export * from './drill/index.ts';
export * from './flight/index.ts';
export * from './machine/index.ts';
export * from './progress/index.ts';
export * from './quantity/index.ts';
export { seededRandom } from './random.ts';
export * from './sport/index.ts';
