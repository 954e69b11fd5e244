/** Events whose id belongs to no year: counted for health by a function of the owner, read by nobody else. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class StrayCounted1764600000000 implements MigrationInterface {
  readonly name = 'StrayCounted1764600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      REVOKE ALL ON log_event_stray FROM finch_app;
      CREATE FUNCTION stray_events() RETURNS bigint LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp
        AS 'SELECT count(*) FROM log_event_stray';
      REVOKE ALL ON FUNCTION stray_events() FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION stray_events() TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION stray_events(); GRANT SELECT ON log_event_stray TO finch_app;');
  }
}
