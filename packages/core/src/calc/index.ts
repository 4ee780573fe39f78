export { badInput, type FieldProblem, fieldProblems, type Problem, pointerOf } from './problem.ts';
export { CALC_VERBS, calc, calcJsonSchemas } from './verbs.ts';
