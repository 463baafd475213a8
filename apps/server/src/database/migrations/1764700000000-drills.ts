import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * Facts by rung, with the rules that made them; what was said of a set; what newer rules read otherwise.
 * The facts themselves are made anew from the log before they are read: nothing here can know them.
 */
export class Drills1764700000000 implements MigrationInterface {
  readonly name = "Drills1764700000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE standing
        DROP COLUMN clean_sum,
        DROP COLUMN miss_sum,
        ADD COLUMN clean double precision NOT NULL DEFAULT 0,
        ADD COLUMN missed double precision NOT NULL DEFAULT 0,
        ADD COLUMN counted_at timestamptz,
        ADD COLUMN placed text,
        ADD COLUMN rungs jsonb NOT NULL DEFAULT '{}'`);
    await runner.query("ALTER TABLE student ADD COLUMN facts_rules text NOT NULL DEFAULT ''");
    await runner.query("ALTER TABLE studio DROP COLUMN facts_version");
    await runner.query(`
      ALTER TABLE practice_set ADD COLUMN said double precision CHECK (said BETWEEN 0 AND 1)`);
    await runner.query(`
      CREATE TABLE rules_change (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        subject text NOT NULL,
        side text NOT NULL,
        is_cleared boolean NOT NULL,
        at timestamptz NOT NULL,
        PRIMARY KEY (studio_id, student_id, subject, side),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    await runner.query("ALTER TABLE rules_change ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON rules_change
        USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
    // Plans that were made before carry an aim, and no cautions.
    await runner.query(`
      UPDATE lesson_student SET places = (
        SELECT coalesce(jsonb_agg(
          CASE WHEN jsonb_typeof(place) = 'object' THEN (place - 'aim') || '{"cautions": []}' ELSE place END
          ORDER BY turn), '[]')
        FROM jsonb_array_elements(places) WITH ORDINALITY AS each (place, turn))
      WHERE jsonb_array_length(places) > 0`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE rules_change");
    await runner.query("ALTER TABLE practice_set DROP COLUMN said");
    await runner.query("ALTER TABLE studio ADD COLUMN facts_version integer NOT NULL DEFAULT 0");
    await runner.query("ALTER TABLE student DROP COLUMN facts_rules");
    await runner.query(`
      ALTER TABLE standing
        DROP COLUMN clean, DROP COLUMN missed, DROP COLUMN counted_at, DROP COLUMN placed, DROP COLUMN rungs,
        ADD COLUMN clean_sum double precision NOT NULL DEFAULT 0,
        ADD COLUMN miss_sum double precision NOT NULL DEFAULT 0`);
  }
}
