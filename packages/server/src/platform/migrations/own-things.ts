/** Pieces and hooks of a player who is their own teacher: theirs alone to change, beside what is the studio's. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class OwnThings1764800000000 implements MigrationInterface {
  readonly name = 'OwnThings1764800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE piece ADD COLUMN student_id uuid,
        ADD FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE;
      ALTER TABLE grip_mark DROP CONSTRAINT grip_mark_check, ADD CHECK (kind = 'hook' OR student_id IS NOT NULL);`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DELETE FROM grip_mark WHERE kind = 'hook' AND student_id IS NOT NULL;
      ALTER TABLE grip_mark DROP CONSTRAINT grip_mark_check, ADD CHECK ((kind = 'pin') = (student_id IS NOT NULL));
      ALTER TABLE piece DROP COLUMN student_id;`);
  }
}
