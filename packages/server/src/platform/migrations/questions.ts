/** Questions from the practice room and their answers are events of the log; they and what was taken back are found without reading takes. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Questions1765800000000 implements MigrationInterface {
  readonly name = 'Questions1765800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE log_event DROP CONSTRAINT log_event_kind_check;
      ALTER TABLE log_event ADD CONSTRAINT log_event_kind_check
        CHECK (kind IN ('attempt','void','override','clearance','question','answer'));
      CREATE INDEX log_event_asked ON log_event (studio_id, student_id) WHERE kind IN ('question', 'answer');
      CREATE INDEX log_event_voids ON log_event (studio_id, (body ->> 'voids')) WHERE kind = 'void';`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP INDEX log_event_asked;
      DROP INDEX log_event_voids;
      DELETE FROM log_event WHERE kind IN ('question', 'answer');
      ALTER TABLE log_event DROP CONSTRAINT log_event_kind_check;
      ALTER TABLE log_event ADD CONSTRAINT log_event_kind_check CHECK (kind IN ('attempt','void','override','clearance'));`);
  }
}
