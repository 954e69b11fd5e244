/**
 * Schools in layers (studio, teacher, student) and a teacher's own marks on grips: a fingering pinned for a student,
 * a nickname or picture shown to whoever gets the grip. Both belong to a studio and carry a version.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = ['school_choice', 'grip_mark'];

export class SchoolsAndMarks1764100000000 implements MigrationInterface {
  readonly name = 'SchoolsAndMarks1764100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE school_choice (
        studio_id uuid NOT NULL REFERENCES studio (id), scope text NOT NULL CHECK (scope IN ('studio','teacher','student')),
        subject_id uuid NOT NULL, says jsonb NOT NULL, version integer NOT NULL DEFAULT 1, PRIMARY KEY (studio_id, scope, subject_id)
      );
      CREATE TABLE grip_mark (
        studio_id uuid NOT NULL REFERENCES studio (id), kind text NOT NULL CHECK (kind IN ('pin','hook')), subject text NOT NULL,
        student_id uuid, content jsonb NOT NULL, version integer NOT NULL DEFAULT 1,
        CHECK ((kind = 'pin') = (student_id IS NOT NULL)),
        UNIQUE NULLS NOT DISTINCT (studio_id, kind, subject, student_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id)
      );`);
    for (const table of TABLES) {
      await runner.query(`
        ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
        ALTER TABLE ${table} FORCE ROW LEVEL SECURITY;
        CREATE POLICY own_studio ON ${table} USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
          WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);
        GRANT SELECT, INSERT, UPDATE ON ${table} TO finch_app;`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [...TABLES].reverse()) await runner.query(`DROP TABLE ${table} CASCADE`);
  }
}
