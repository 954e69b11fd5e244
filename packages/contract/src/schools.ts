/** Schools as they travel: any of the switches may be left to the layer above. */
import { SCHOOL_CHOICES, type Schools } from '@finch/core/shapes';
import * as v from 'valibot';

const choice = <T extends string>(choices: readonly T[]) =>
  v.optional(v.picklist(choices, choices.join(', ')));

/** Some of the switches: what one layer says. */
export const someSchoolsSchema = v.strictObject({
  thumb: choice(SCHOOL_CHOICES.thumb),
  fingering: choice(SCHOOL_CHOICES.fingering),
  formNames: choice(SCHOOL_CHOICES.formNames),
  firstForm: choice(SCHOOL_CHOICES.firstForm),
  triadNames: choice(SCHOOL_CHOICES.triadNames),
  chordNames: choice(SCHOOL_CHOICES.chordNames),
  root: choice(SCHOOL_CHOICES.root),
  fiveUnderRoot: choice(SCHOOL_CHOICES.fiveUnderRoot),
  outerStrings: choice(SCHOOL_CHOICES.outerStrings),
  stringDown: choice(SCHOOL_CHOICES.stringDown),
  fretDown: choice(SCHOOL_CHOICES.fretDown),
});
export type SomeSchools = v.InferOutput<typeof someSchoolsSchema>;

/** All of them, as they hold for someone. */
export const schoolsSchema: v.GenericSchema<unknown, Schools> = v.object({
  thumb: v.picklist(SCHOOL_CHOICES.thumb),
  fingering: v.picklist(SCHOOL_CHOICES.fingering),
  formNames: v.picklist(SCHOOL_CHOICES.formNames),
  firstForm: v.picklist(SCHOOL_CHOICES.firstForm),
  triadNames: v.picklist(SCHOOL_CHOICES.triadNames),
  chordNames: v.picklist(SCHOOL_CHOICES.chordNames),
  root: v.picklist(SCHOOL_CHOICES.root),
  fiveUnderRoot: v.picklist(SCHOOL_CHOICES.fiveUnderRoot),
  outerStrings: v.picklist(SCHOOL_CHOICES.outerStrings),
  stringDown: v.picklist(SCHOOL_CHOICES.stringDown),
  fretDown: v.picklist(SCHOOL_CHOICES.fretDown),
});

export const SCHOOL_SCOPES = ['studio', 'teacher', 'student'] as const;
export type SchoolScope = (typeof SCHOOL_SCOPES)[number];
