import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a student wishes for weighs: each goal is an id and a weight, where it was an id alone. */
export class GoalWeights1766000000000 implements MigrationInterface {
  readonly name = 'GoalWeights1766000000000';

  async up(runner: QueryRunner): Promise<void> {
    // The owner is held by row security too and has no studio set here: let go for one statement.
    await runner.query(`
      ALTER TABLE student NO FORCE ROW LEVEL SECURITY;
      UPDATE student SET goals = (
        SELECT jsonb_agg(jsonb_build_object('id', goal, 'weight', 'more') ORDER BY nth)
        FROM jsonb_array_elements(goals) WITH ORDINALITY AS g (goal, nth))
      WHERE jsonb_array_length(goals) > 0;
      ALTER TABLE student FORCE ROW LEVEL SECURITY;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE student NO FORCE ROW LEVEL SECURITY;
      UPDATE student SET goals = (
        SELECT jsonb_agg(goal->'id' ORDER BY nth) FROM jsonb_array_elements(goals) WITH ORDINALITY AS g (goal, nth))
      WHERE jsonb_array_length(goals) > 0;
      ALTER TABLE student FORCE ROW LEVEL SECURITY;`);
  }
}
