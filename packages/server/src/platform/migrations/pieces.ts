/** The studio's repertoire. A piece taken away keeps its row, so that it can come back and a late write is still stale. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Pieces1764200000000 implements MigrationInterface {
  readonly name = 'Pieces1764200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE piece (
        studio_id uuid NOT NULL REFERENCES studio (id), id uuid NOT NULL, content jsonb NOT NULL,
        removed boolean NOT NULL DEFAULT false, changed_at timestamptz NOT NULL, version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, id)
      );
      ALTER TABLE piece ENABLE ROW LEVEL SECURITY;
      ALTER TABLE piece FORCE ROW LEVEL SECURITY;
      CREATE POLICY own_studio ON piece USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
        WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);
      GRANT SELECT, INSERT, UPDATE ON piece TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE piece CASCADE');
  }
}
