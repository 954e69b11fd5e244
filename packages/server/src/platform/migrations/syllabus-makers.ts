import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who kept a version of the syllabus; null for one that came with the program, which alone gives way to a later one of it. */
export class SyllabusMakers1765500000000 implements MigrationInterface {
  readonly name = 'SyllabusMakers1765500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE syllabus_version ADD COLUMN made_by uuid NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE syllabus_version DROP COLUMN made_by');
  }
}
