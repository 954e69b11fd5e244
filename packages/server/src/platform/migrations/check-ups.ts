/** A check-up is an event of the log that names the takes it heard. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const kinds = (...more: string[]) =>
  ['attempt', 'void', 'override', 'clearance', 'question', 'answer', ...more]
    .map((kind) => `'${kind}'`)
    .join();

export class CheckUps1765900000000 implements MigrationInterface {
  readonly name = 'CheckUps1765900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE log_event DROP CONSTRAINT log_event_kind_check;
      ALTER TABLE log_event ADD CONSTRAINT log_event_kind_check CHECK (kind IN (${kinds('check-up')}));
      CREATE INDEX log_event_check_ups ON log_event (studio_id, student_id) WHERE kind = 'check-up';`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP INDEX log_event_check_ups;
      DELETE FROM log_event WHERE kind = 'check-up';
      ALTER TABLE log_event DROP CONSTRAINT log_event_kind_check;
      ALTER TABLE log_event ADD CONSTRAINT log_event_kind_check CHECK (kind IN (${kinds()}));`);
  }
}
