/** Letters to those at home: an outbox of the studio's. They go with the student they are about. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Letters1765600000000 implements MigrationInterface {
  readonly name = 'Letters1765600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE letter (
        studio_id uuid NOT NULL REFERENCES studio (id), id uuid NOT NULL, student_id uuid NOT NULL,
        kind text NOT NULL CHECK (kind IN ('report','pain')), about_day date NOT NULL,
        state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting','handed on','taken back')),
        content jsonb NOT NULL, made_by uuid NULL, made_at timestamptz NOT NULL, version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      );
      CREATE INDEX ON letter (studio_id, state, made_at);
      CREATE UNIQUE INDEX letter_of_pain ON letter (studio_id, student_id, about_day) WHERE kind = 'pain';
      ALTER TABLE letter ENABLE ROW LEVEL SECURITY;
      ALTER TABLE letter FORCE ROW LEVEL SECURITY;
      CREATE POLICY own_studio ON letter USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
        WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);
      GRANT SELECT, INSERT, UPDATE ON letter TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE letter CASCADE');
  }
}
