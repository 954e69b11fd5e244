/**
 * Each event has its place in the log of its student, given as it is stored; `log_head` says how far that log goes, so that
 * nobody counts it. `log_snapshot` keeps what a log told so far: a cache, whose rows may always be thrown away.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = ['log_head', 'log_snapshot'];

export class LogPlaces1764700000000 implements MigrationInterface {
  readonly name = 'LogPlaces1764700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE log_head (
        studio_id uuid NOT NULL, student_id uuid NOT NULL, place integer NOT NULL, PRIMARY KEY (studio_id, student_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      ) WITH (fillfactor = 50);
      CREATE TABLE log_snapshot (
        studio_id uuid NOT NULL, student_id uuid NOT NULL, ground text NOT NULL, places jsonb NOT NULL, body bytea NOT NULL,
        PRIMARY KEY (studio_id, student_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      );`);
    for (const table of TABLES)
      await runner.query(`
        ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
        ALTER TABLE ${table} FORCE ROW LEVEL SECURITY;
        CREATE POLICY own_studio ON ${table} USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
          WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);`);
    // Row security holds the owner as well; for what every studio has already it is let go of for a moment.
    await runner.query(`
      ALTER TABLE log_event ADD COLUMN place integer NOT NULL DEFAULT 0;
      ALTER TABLE log_event NO FORCE ROW LEVEL SECURITY;
      ALTER TABLE log_head NO FORCE ROW LEVEL SECURITY;
      UPDATE log_event e SET place = n.place FROM (
        SELECT studio_id, id, row_number() OVER (PARTITION BY studio_id, student_id ORDER BY received_at, id) AS place FROM log_event
      ) n WHERE n.studio_id = e.studio_id AND n.id = e.id;
      INSERT INTO log_head (studio_id, student_id, place) SELECT studio_id, student_id, max(place) FROM log_event GROUP BY 1, 2;
      ALTER TABLE log_event FORCE ROW LEVEL SECURITY;
      ALTER TABLE log_head FORCE ROW LEVEL SECURITY;
      CREATE INDEX ON log_event (studio_id, student_id, place);
      CREATE INDEX lesson_owed ON lesson (studio_id) WHERE state = 'taught';
      CREATE FUNCTION next_place() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        -- Whoever logs for a student waits here for who did before, so that places are seen in their order.
        INSERT INTO log_head AS h (studio_id, student_id, place) VALUES (NEW.studio_id, NEW.student_id, 1)
          ON CONFLICT (studio_id, student_id) DO UPDATE SET place = h.place + 1 RETURNING h.place INTO NEW.place;
        RETURN NEW;
      END $$;
      REVOKE ALL ON FUNCTION next_place() FROM PUBLIC;
      CREATE TRIGGER next_place BEFORE INSERT ON log_event FOR EACH ROW EXECUTE FUNCTION next_place();
      GRANT SELECT ON log_head TO finch_app;
      GRANT SELECT, INSERT, UPDATE, DELETE ON log_snapshot TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TRIGGER next_place ON log_event;
      DROP FUNCTION next_place();
      ALTER TABLE log_event DROP COLUMN place;
      DROP TABLE log_head, log_snapshot;
      DROP INDEX lesson_owed;`);
  }
}
