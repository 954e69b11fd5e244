/**
 * A stored syllabus says of each drill what it does for its skill: found, held, changed to, used or heard. One that was stored
 * before has one kind only: used where the skill is a use of others, held where it is not.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class SyllabusSteps1764900000000 implements MigrationInterface {
  readonly name = 'SyllabusSteps1764900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE syllabus_version NO FORCE ROW LEVEL SECURITY;
      UPDATE syllabus_version SET content = jsonb_set('{"courses": []}' || content, '{skills}', (
        SELECT coalesce(jsonb_agg((skill - 'use') || jsonb_build_object(
          'sentence', coalesce(skill ->> 'sentence', ''),
          'practice', (
            SELECT coalesce(jsonb_agg(CASE WHEN drill ? 'recipe' THEN drill ELSE jsonb_build_object(
              'step', CASE WHEN (skill ->> 'use')::boolean THEN 'use' ELSE 'hold' END, 'recipe', drill) END ORDER BY nth), '[]')
            FROM jsonb_array_elements(skill -> 'practice') WITH ORDINALITY AS drills (drill, nth)
          )) ORDER BY place), '[]')
        FROM jsonb_array_elements(content -> 'skills') WITH ORDINALITY AS skills (skill, place)
      ));
      ALTER TABLE syllabus_version FORCE ROW LEVEL SECURITY;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE syllabus_version NO FORCE ROW LEVEL SECURITY;
      UPDATE syllabus_version SET content = jsonb_set(content - 'courses', '{skills}', (
        SELECT coalesce(jsonb_agg((skill - 'sentence') || jsonb_build_object(
          'use', coalesce(skill #>> '{practice,0,step}', '') = 'use',
          'practice', (
            SELECT coalesce(jsonb_agg(drill -> 'recipe' ORDER BY nth), '[]')
            FROM jsonb_array_elements(skill -> 'practice') WITH ORDINALITY AS drills (drill, nth)
          )) ORDER BY place), '[]')
        FROM jsonb_array_elements(content -> 'skills') WITH ORDINALITY AS skills (skill, place)
      ));
      ALTER TABLE syllabus_version FORCE ROW LEVEL SECURITY;`);
  }
}
