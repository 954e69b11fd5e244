import { GoalWeights1766000000000 } from './goal-weights';
import { HomeWeeks1766100000000 } from './home-weeks';
import { Letters1765600000000 } from './letters';
import { Foundations1764000000000 } from './foundations';
import { OwnThings1764800000000 } from './own-things';
import { Pieces1764200000000 } from './pieces';
import { LogPlaces1764700000000 } from './log-places';
import { PlanStanding1764300000000 } from './plan-standing';
import { StrayCounted1764600000000 } from './stray-counted';
import { CheckUps1765900000000 } from './check-ups';
import { Questions1765800000000 } from './questions';
import { StudioFit1765700000000 } from './studio-fit';
import { StudioLife1764400000000 } from './studio-life';
import { PlayedRecord1764500000000 } from './played-record';
import { SyllabusMakers1765500000000 } from './syllabus-makers';
import { SyllabusSteps1764900000000 } from './syllabus-steps';
import { SchoolsAndMarks1764100000000 } from './schools-and-marks';

/** In order; listed by hand, since a folder scan would depend on how the server is built. */
export const migrations = [
  Foundations1764000000000,
  SchoolsAndMarks1764100000000,
  Pieces1764200000000,
  PlanStanding1764300000000,
  StudioLife1764400000000,
  PlayedRecord1764500000000,
  StrayCounted1764600000000,
  LogPlaces1764700000000,
  OwnThings1764800000000,
  SyllabusSteps1764900000000,
  SyllabusMakers1765500000000,
  Letters1765600000000,
  StudioFit1765700000000,
  Questions1765800000000,
  CheckUps1765900000000,
  GoalWeights1766000000000,
  HomeWeeks1766100000000,
];
