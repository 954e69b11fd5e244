import type { Skill, Syllabus } from '../skill';
import { changes } from './changes';
import { colours } from './colours';
import { ear } from './ear';
import { forms } from './forms';
import { harmony } from './harmony';
import { lines } from './lines';
import { melody } from './melody';
import { neck } from './neck';
import { open } from './open';
import { reading } from './reading';
import { scales } from './scales';
import { style } from './style';

export const STRANDS: Syllabus['strands'] = [
  { id: 'open', name: 'Open grips' },
  { id: 'changes', name: 'Changes, rhythm' },
  { id: 'neck', name: 'The neck' },
  { id: 'colours', name: '7ths, colours' },
  { id: 'forms', name: 'Movable forms' },
  { id: 'harmony', name: 'In a key' },
  { id: 'scales', name: 'Scales, keys' },
  { id: 'reading', name: 'Reading' },
  { id: 'lines', name: 'Lines' },
  { id: 'melody', name: 'Melody' },
  { id: 'ear', name: 'Ear' },
  { id: 'style', name: 'Style, pieces' },
];
/** Strand by strand; within one, the lighter before what needs it. */
export const SKILLS: readonly Skill[] = [
  open,
  changes,
  neck,
  colours,
  forms,
  harmony,
  scales,
  reading,
  lines,
  melody,
  ear,
  style,
].flat();
