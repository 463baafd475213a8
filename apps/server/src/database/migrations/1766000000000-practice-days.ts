import type { MigrationInterface, QueryRunner } from "typeorm";

const BY_HAND = "('tapped', 'sensor', 'sound', 'hand')";
const DECIDED = "('clear', 'reopen', 'place', 'override', 'void')";
const HERE = "(SELECT nullif(current_setting('mirrup.studio', true), '')::uuid)";

/**
 * What was done by day and side, filled by the rebuild that the new numbers of the model ask for; sets that a student
 * counted alone, and that an instructor accepted them.
 */
export class PracticeDays1766000000000 implements MigrationInterface {
  readonly name = "PracticeDays1766000000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE practice_day (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        day date NOT NULL,
        subject text NOT NULL,
        side text NOT NULL CHECK (side IN ('left', 'right', 'whole')),
        sums jsonb NOT NULL,
        PRIMARY KEY (studio_id, student_id, day, subject, side),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("ALTER TABLE practice_day ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON practice_day USING (studio_id = ${HERE}) WITH CHECK (studio_id = ${HERE})`);
    await runner.query("ALTER TABLE practice_set DROP CONSTRAINT practice_set_counted_by_check");
    await runner.query(`
      ALTER TABLE practice_set ADD CONSTRAINT practice_set_counted_by_check
        CHECK (counted_by IN ('tapped', 'sensor', 'sound', 'hand', 'student'))`);
    await runner.query("ALTER TABLE decision DROP CONSTRAINT decision_decision_check");
    await runner.query(`
      ALTER TABLE decision ADD CONSTRAINT decision_decision_check
        CHECK (decision ->> 'kind' IN ('clear', 'reopen', 'place', 'override', 'void', 'accept'))`);
    await runner.query("UPDATE student SET facts_rules = ''");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DELETE FROM decision WHERE decision ->> 'kind' = 'accept'");
    await runner.query("DELETE FROM practice_set WHERE counted_by = 'student'");
    await runner.query("ALTER TABLE decision DROP CONSTRAINT decision_decision_check");
    await runner.query(`
      ALTER TABLE decision ADD CONSTRAINT decision_decision_check CHECK (decision ->> 'kind' IN ${DECIDED})`);
    await runner.query("ALTER TABLE practice_set DROP CONSTRAINT practice_set_counted_by_check");
    await runner.query(`
      ALTER TABLE practice_set ADD CONSTRAINT practice_set_counted_by_check CHECK (counted_by IN ${BY_HAND})`);
    await runner.query("DROP TABLE practice_day");
  }
}
