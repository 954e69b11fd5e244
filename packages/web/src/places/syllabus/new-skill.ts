/** Ids of skills that a studio makes itself; they stay when the skill is renamed. */
import type { Syllabus } from '@finch/core/syllabus';

/** A new id out of a name: `own.bass-run`, with a number behind it where that one is taken. */
export function newSkillId(name: string, { skills }: Pick<Syllabus, 'skills'>): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60)
    .replace(/-+$/, '');
  const base = `own.${plain || 'skill'}`;
  const taken = new Set(skills.map(({ id }) => id));
  if (!taken.has(base)) return base;
  for (let i = 2; ; i++) if (!taken.has(`${base}-${i}`)) return `${base}-${i}`;
}
