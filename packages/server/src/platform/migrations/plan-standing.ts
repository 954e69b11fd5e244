/** How the plan of a lesson stands, so that what was put in from elsewhere is told from what the teacher kept. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class PlanStanding1764300000000 implements MigrationInterface {
  readonly name = 'PlanStanding1764300000000';

  async up(runner: QueryRunner): Promise<void> {
    // The owner is held by row security too and has no studio set here: let go for one statement.
    await runner.query(`
      ALTER TABLE lesson ADD COLUMN plan_standing text NOT NULL DEFAULT 'none'
        CHECK (plan_standing IN ('none','begun','kept','changed'));
      ALTER TABLE lesson NO FORCE ROW LEVEL SECURITY;
      UPDATE lesson SET plan_standing = 'kept' WHERE jsonb_typeof(plan) = 'object';
      ALTER TABLE lesson FORCE ROW LEVEL SECURITY;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE lesson DROP COLUMN plan_standing');
  }
}
