export { PACE } from './constants';
export {
  makePaceFilter,
  stageFactor,
  type CountRow,
  type PaceFilter,
  type PaceRow,
  type PaceSaid,
  type TempoRow,
} from './pace-filter';
