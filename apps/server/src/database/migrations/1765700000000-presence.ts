import type { MigrationInterface, QueryRunner } from "typeorm";

/** Who counts where just now, and what they counted there so far. */
export class Presence1765700000000 implements MigrationInterface {
  readonly name = "Presence1765700000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE presence (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        place text NOT NULL,
        tab uuid NOT NULL,
        person_id uuid NOT NULL REFERENCES person (id) ON DELETE CASCADE,
        since timestamptz NOT NULL,
        seen_at timestamptz NOT NULL,
        left_at timestamptz,
        turn uuid NOT NULL,
        round jsonb,
        PRIMARY KEY (studio_id, place)
      )`);
    await runner.query("CREATE INDEX presence_by_age ON presence (seen_at)");
    await runner.query("ALTER TABLE presence ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON presence
        USING (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))
        WITH CHECK (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))`);
    // What was never finished in a day is of another lesson.
    await runner.query(`
      CREATE FUNCTION mirrup_forget_old_presence(now timestamptz) RETURNS void
        LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public AS
        $$ DELETE FROM presence WHERE seen_at < now - interval '1 day' $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP FUNCTION mirrup_forget_old_presence(timestamptz)");
    await runner.query("DROP TABLE presence");
  }
}
