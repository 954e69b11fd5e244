export { fail, must, ok, type Problem, type Result } from './result';
export { clamp, logistic, logit, mean, median, millionths } from './number';
export { hashText, randomOf, seededRandom, type Random } from './random';
export { editDistance } from './edit-distance';
