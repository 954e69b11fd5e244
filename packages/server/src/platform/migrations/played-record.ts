/** How long a student has played, as somebody said it on a day: dated like hand, guitar and limits. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class PlayedRecord1764500000000 implements MigrationInterface {
  readonly name = 'PlayedRecord1764500000000';

  async up(runner: QueryRunner): Promise<void> {
    // Goes with its student: `erase_student` was made before it.
    await runner.query(`
      CREATE TABLE played_record (
        studio_id uuid NOT NULL, id uuid NOT NULL, student_id uuid NOT NULL, from_instant timestamptz NOT NULL, value jsonb NOT NULL,
        PRIMARY KEY (studio_id, id), FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      );
      CREATE INDEX ON played_record (studio_id, student_id, from_instant);
      ALTER TABLE played_record ENABLE ROW LEVEL SECURITY;
      ALTER TABLE played_record FORCE ROW LEVEL SECURITY;
      CREATE POLICY own_studio ON played_record USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
        WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);
      GRANT SELECT, INSERT ON played_record TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE played_record');
  }
}
