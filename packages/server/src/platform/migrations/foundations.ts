/**
 * The first migration: everything that is dear to add later. Rows belong to a studio by composite keys; row
 * security is forced on every table from the start; the log is partitioned by its time-ordered ids and the
 * application may only add to it and read it. What names a person stands in `person` alone.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const STUDIO_TABLES = [
  'person',
  'membership',
  'student',
  'guardianship',
  'hand_record',
  'instrument_record',
  'limits_record',
  'band',
  'band_member',
  'syllabus_version',
  'lesson',
  'home_card',
  'log_event',
];

/** First UUIDv7 of a year: its 48 leading bits are ms since 1970 (RFC 9562). */
function firstIdOf(year: number): string {
  const hex = Date.UTC(year, 0, 1).toString(16).padStart(12, '0');
  return `${hex.slice(0, 8)}-${hex.slice(8)}-0000-0000-000000000000`;
}

const FIRST_YEAR = 2020;
const LAST_YEAR = 2045;

export class Foundations1764000000000 implements MigrationInterface {
  readonly name = 'Foundations1764000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE meta (key text PRIMARY KEY, value text NOT NULL);
      CREATE TABLE studio (
        id uuid PRIMARY KEY, name text NOT NULL, time_zone text NOT NULL, version integer NOT NULL DEFAULT 1, created_at timestamptz NOT NULL
      );
      CREATE TABLE account (id uuid PRIMARY KEY, created_at timestamptz NOT NULL);
      CREATE TABLE person (
        studio_id uuid NOT NULL REFERENCES studio (id), id uuid NOT NULL, name text NOT NULL, born_on date, version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, id)
      );
      CREATE TABLE membership (
        studio_id uuid NOT NULL REFERENCES studio (id), id uuid NOT NULL, account_id uuid REFERENCES account (id), person_id uuid NOT NULL,
        roles text[] NOT NULL CHECK (cardinality(roles) > 0 AND roles <@ ARRAY['owner','teacher','student','guardian','self-taught']),
        PRIMARY KEY (studio_id, id), FOREIGN KEY (studio_id, person_id) REFERENCES person (studio_id, id)
      );
      CREATE TABLE student (
        studio_id uuid NOT NULL REFERENCES studio (id), id uuid NOT NULL, person_id uuid NOT NULL, membership_id uuid,
        time_zone text NOT NULL, note text NOT NULL DEFAULT '', goals jsonb NOT NULL DEFAULT '[]', waived jsonb NOT NULL DEFAULT '[]',
        practice_minutes integer NOT NULL DEFAULT 12 CHECK (practice_minutes BETWEEN 3 AND 240), version integer NOT NULL DEFAULT 1, created_at timestamptz NOT NULL,
        PRIMARY KEY (studio_id, id), FOREIGN KEY (studio_id, person_id) REFERENCES person (studio_id, id),
        FOREIGN KEY (studio_id, membership_id) REFERENCES membership (studio_id, id)
      );
      CREATE TABLE guardianship (
        studio_id uuid NOT NULL, membership_id uuid NOT NULL, student_id uuid NOT NULL, PRIMARY KEY (studio_id, membership_id, student_id),
        FOREIGN KEY (studio_id, membership_id) REFERENCES membership (studio_id, id), FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id)
      );`);
    for (const table of ['hand_record', 'instrument_record', 'limits_record']) {
      await runner.query(`
        CREATE TABLE ${table} (
          studio_id uuid NOT NULL, id uuid NOT NULL, student_id uuid NOT NULL, from_instant timestamptz NOT NULL, value jsonb NOT NULL,
          PRIMARY KEY (studio_id, id), FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id)
        );
        CREATE INDEX ON ${table} (studio_id, student_id, from_instant);`);
    }
    await runner.query(`
      CREATE TABLE band (studio_id uuid NOT NULL REFERENCES studio (id), id uuid NOT NULL, name text NOT NULL, PRIMARY KEY (studio_id, id));
      CREATE TABLE band_member (
        studio_id uuid NOT NULL, band_id uuid NOT NULL, student_id uuid NOT NULL, PRIMARY KEY (studio_id, band_id, student_id),
        FOREIGN KEY (studio_id, band_id) REFERENCES band (studio_id, id), FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id)
      );
      CREATE TABLE syllabus_version (
        studio_id uuid NOT NULL REFERENCES studio (id), id uuid NOT NULL, content jsonb NOT NULL, created_at timestamptz NOT NULL, PRIMARY KEY (studio_id, id)
      );
      CREATE TABLE lesson (
        studio_id uuid NOT NULL, id uuid NOT NULL, student_id uuid NOT NULL, teacher_id uuid NOT NULL, starts_at timestamptz NOT NULL, time_zone text NOT NULL,
        minutes integer NOT NULL CHECK (minutes BETWEEN 10 AND 180), state text NOT NULL CHECK (state IN ('booked','running','taught','written')),
        plan jsonb, done jsonb, note text NOT NULL DEFAULT '', version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, id), FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id),
        FOREIGN KEY (studio_id, teacher_id) REFERENCES membership (studio_id, id)
      );
      CREATE INDEX ON lesson (studio_id, starts_at);
      CREATE INDEX ON lesson (studio_id, student_id, starts_at);
      CREATE TABLE home_card (
        studio_id uuid NOT NULL, id uuid NOT NULL, student_id uuid NOT NULL, skill_id text, title text NOT NULL, recipe jsonb NOT NULL,
        since timestamptz NOT NULL, ended_at timestamptz, version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, id), FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id)
      );
      CREATE TABLE log_event (
        studio_id uuid NOT NULL, id uuid NOT NULL, student_id uuid NOT NULL, actor_id uuid NOT NULL, device_id uuid NOT NULL, device_seq integer NOT NULL,
        kind text NOT NULL CHECK (kind IN ('attempt','void','override','clearance')), body jsonb NOT NULL,
        happened_at timestamptz NOT NULL, sent_at timestamptz NOT NULL, received_at timestamptz NOT NULL,
        PRIMARY KEY (studio_id, id), FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id),
        FOREIGN KEY (studio_id, actor_id) REFERENCES membership (studio_id, id)
      ) PARTITION BY RANGE (id);
      CREATE INDEX ON log_event (studio_id, student_id, id);
      CREATE TABLE log_event_stray PARTITION OF log_event DEFAULT;
      CREATE TABLE web_session (sid varchar NOT NULL PRIMARY KEY, sess json NOT NULL, expire timestamp(6) NOT NULL);
      CREATE INDEX ON web_session (expire);`);
    for (let year = FIRST_YEAR; year <= LAST_YEAR; year++) {
      await runner.query(
        `CREATE TABLE log_event_${year} PARTITION OF log_event FOR VALUES FROM ('${firstIdOf(year)}') TO ('${firstIdOf(year + 1)}')`,
      );
    }
    for (const table of STUDIO_TABLES) {
      await runner.query(`
        ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
        ALTER TABLE ${table} FORCE ROW LEVEL SECURITY;
        CREATE POLICY own_studio ON ${table} USING (studio_id = nullif(current_setting('finch.studio', true), '')::uuid)
          WITH CHECK (studio_id = nullif(current_setting('finch.studio', true), '')::uuid);`);
    }
    await runner.query(`
      ALTER TABLE studio ENABLE ROW LEVEL SECURITY;
      ALTER TABLE studio FORCE ROW LEVEL SECURITY;
      CREATE POLICY own_studio ON studio USING (id = nullif(current_setting('finch.studio', true), '')::uuid)
        WITH CHECK (id = nullif(current_setting('finch.studio', true), '')::uuid);
      ALTER TABLE account ENABLE ROW LEVEL SECURITY;
      ALTER TABLE account FORCE ROW LEVEL SECURITY;
      CREATE POLICY member_here ON account USING (EXISTS (SELECT 1 FROM membership m WHERE m.account_id = account.id)) WITH CHECK (true);
      GRANT USAGE ON SCHEMA public TO finch_app;
      GRANT SELECT, INSERT, UPDATE, DELETE ON web_session TO finch_app;
      GRANT SELECT, INSERT ON meta, account, person, membership, student, guardianship, hand_record, instrument_record, limits_record,
        band, band_member, syllabus_version, lesson, home_card, studio TO finch_app;
      GRANT UPDATE ON studio, person, student, lesson, home_card TO finch_app;
      GRANT SELECT, INSERT ON log_event TO finch_app;
      GRANT SELECT ON migration, log_event_stray TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [...STUDIO_TABLES].reverse()) await runner.query(`DROP TABLE ${table} CASCADE`);
    await runner.query('DROP TABLE account, studio, meta, web_session CASCADE');
  }
}
