import type { MigrationInterface, QueryRunner } from "typeorm";

/** Each side's facts as they stood between lessons, so that what comes late need not be folded from the beginning. */
export class Marks1765100000000 implements MigrationInterface {
  readonly name = "Marks1765100000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE standing_mark (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        subject text NOT NULL,
        side text NOT NULL CHECK (side IN ('left', 'right', 'whole')),
        folded_at timestamptz NOT NULL,
        folded_id uuid NOT NULL,
        facts jsonb NOT NULL,
        PRIMARY KEY (studio_id, student_id, subject, side, folded_at, folded_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    await runner.query("ALTER TABLE standing_mark ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON standing_mark
        USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
    // Whatever was folded before is folded anew when Mirrup starts, one student after another, with its marks.
    await runner.query("UPDATE student SET facts_rules = ''");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE standing_mark");
  }
}
