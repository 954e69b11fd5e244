/**
 * A studio as it lives on: lessons that repeat, move and are cancelled; students who leave and come back, were entered twice,
 * or are erased with everything. The application may still only add to the log: erasing is one function of the owner's,
 * which takes a student of the studio set in the transaction and nobody else.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class StudioLife1764400000000 implements MigrationInterface {
  readonly name = 'StudioLife1764400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lesson ADD COLUMN series_id uuid;
      ALTER TABLE lesson DROP CONSTRAINT lesson_state_check;
      ALTER TABLE lesson ADD CONSTRAINT lesson_state_check
        CHECK (state IN ('booked','running','taught','written','cancelled'));
      CREATE INDEX ON lesson (studio_id, series_id) WHERE series_id IS NOT NULL;
      ALTER TABLE student ADD COLUMN archived_at timestamptz;
      ALTER TABLE student ADD COLUMN merged_into uuid;
      ALTER TABLE student ADD FOREIGN KEY (studio_id, merged_into) REFERENCES student (studio_id, id);
      CREATE INDEX ON student (studio_id, merged_into) WHERE merged_into IS NOT NULL;

      CREATE FUNCTION erase_student(erased uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
      DECLARE
        here uuid := nullif(current_setting('finch.studio', true), '')::uuid;
        doubles uuid[];
        people uuid[];
        seats uuid[];
      BEGIN
        SELECT array_agg(id), array_agg(person_id), array_remove(array_agg(membership_id), NULL) INTO doubles, people, seats
          FROM student WHERE studio_id = here AND (id = erased OR merged_into = erased);
        IF doubles IS NULL THEN RETURN; END IF;
        SELECT seats || coalesce(array_agg(DISTINCT g.membership_id), '{}') INTO seats FROM guardianship g
          WHERE g.studio_id = here AND g.student_id = ANY(doubles)
            AND NOT EXISTS (SELECT 1 FROM guardianship o WHERE o.studio_id = here AND o.membership_id = g.membership_id
              AND NOT o.student_id = ANY(doubles));
        DELETE FROM log_event WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM home_card WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM lesson WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM hand_record WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM instrument_record WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM limits_record WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM band_member WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM grip_mark WHERE studio_id = here AND student_id = ANY(doubles);
        DELETE FROM school_choice WHERE studio_id = here AND scope = 'student' AND subject_id = ANY(doubles);
        DELETE FROM guardianship WHERE studio_id = here AND student_id = ANY(doubles);
        UPDATE student SET merged_into = NULL WHERE studio_id = here AND id = ANY(doubles);
        DELETE FROM student WHERE studio_id = here AND id = ANY(doubles);
        -- Seats of nobody any more; who teaches here or logged for others keeps theirs.
        SELECT people || coalesce(array_agg(m.person_id), '{}') INTO people FROM membership m
          WHERE m.studio_id = here AND m.id = ANY(seats);
        DELETE FROM membership m WHERE m.studio_id = here AND m.id = ANY(seats) AND NOT m.roles && ARRAY['owner','teacher']
          AND NOT EXISTS (SELECT 1 FROM log_event e WHERE e.studio_id = here AND e.actor_id = m.id)
          AND NOT EXISTS (SELECT 1 FROM lesson l WHERE l.studio_id = here AND l.teacher_id = m.id)
          AND NOT EXISTS (SELECT 1 FROM student s WHERE s.studio_id = here AND s.membership_id = m.id);
        DELETE FROM person p WHERE p.studio_id = here AND p.id = ANY(people)
          AND NOT EXISTS (SELECT 1 FROM membership m WHERE m.studio_id = here AND m.person_id = p.id)
          AND NOT EXISTS (SELECT 1 FROM student s WHERE s.studio_id = here AND s.person_id = p.id);
      END $$;
      REVOKE ALL ON FUNCTION erase_student(uuid) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION erase_student(uuid) TO finch_app;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP FUNCTION erase_student(uuid);
      ALTER TABLE student DROP COLUMN merged_into, DROP COLUMN archived_at;
      ALTER TABLE lesson DROP COLUMN series_id;`);
  }
}
