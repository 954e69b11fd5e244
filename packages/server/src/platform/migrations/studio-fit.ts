/** How hard each skill is to meet, by the first takes of a studio's students: a fit a week, which numbers of that week rest on. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class StudioFit1765700000000 implements MigrationInterface {
  readonly name = 'StudioFit1765700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE studio_fit (
        studio_id uuid NOT NULL REFERENCES studio (id), week date NOT NULL, shift_logits jsonb NOT NULL, made_at timestamptz NOT NULL,
        PRIMARY KEY (studio_id, week)
      );
      ALTER TABLE studio_fit ENABLE ROW LEVEL SECURITY;
      ALTER TABLE studio_fit FORCE ROW LEVEL SECURITY;
      CREATE POLICY own_studio ON studio_fit USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
        WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);
      GRANT SELECT, INSERT ON studio_fit TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE studio_fit CASCADE');
  }
}
