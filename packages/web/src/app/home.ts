import type { Role } from '@finch/contract';

/** The first place of each role. */
export function homeOf(roles: readonly Role[], studentId: string | null) {
  if (roles.includes('teacher') || roles.includes('owner')) return { name: 'board' };
  if (roles.includes('self-taught') && studentId) return { name: 'student', params: { studentId } };
  if (roles.includes('guardian') && studentId) return { name: 'family', params: { studentId } };
  return { name: 'practice' };
}
