/** A student's practice days, and the week that was given home last. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class HomeWeeks1766100000000 implements MigrationInterface {
  readonly name = 'HomeWeeks1766100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE student ADD COLUMN practice_days smallint[] NOT NULL DEFAULT '{1,2,3,4,5,6,7}';
      CREATE TABLE home_week (
        studio_id uuid NOT NULL REFERENCES studio (id), student_id uuid NOT NULL,
        week jsonb NULL, kept_at timestamptz NOT NULL, version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, student_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      );
      ALTER TABLE home_week ENABLE ROW LEVEL SECURITY;
      ALTER TABLE home_week FORCE ROW LEVEL SECURITY;
      CREATE POLICY own_studio ON home_week USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
        WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);
      GRANT SELECT, INSERT, UPDATE ON home_week TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE home_week CASCADE; ALTER TABLE student DROP COLUMN practice_days;');
  }
}
