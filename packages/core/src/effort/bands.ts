/** The five effort bands by grade: light under 20, fair under 40, firm under 60, heavy under 80, beyond. */
export type EffortBand = 'light' | 'fair' | 'firm' | 'heavy' | 'beyond';

export function effortBand(grade: number): EffortBand {
  if (grade < 20) return 'light';
  if (grade < 40) return 'fair';
  if (grade < 60) return 'firm';
  return grade < 80 ? 'heavy' : 'beyond';
}
